import type { Kind } from './kind.ts';

const WITH_CONTENT = /^(img|video|canvas|iframe|embed|object|input|svg)$/;

/** How a picture fills its box, on something that is not a picture. */
export const objectFit: Kind = {
	name: 'object-fit on what is not replaced',
	properties: ['object-fit', 'object-position'],
	of(longhand, { tag }) {
		if (WITH_CONTENT.test(tag)) return undefined;
		return {
			reason: `${longhand} acts on pictures, films and other replaced content; this is a ${tag}.`,
			instead: 'set it on the img or video in it; for a background, background-size and background-position.',
			standard: 'CSS Images 3 §4.5'
		};
	}
};
