import { attribute, type Page } from './page.ts';
import type { Span } from '../css/node.ts';

/** What a browser repairs or tolerates in a page's source: the place, and a sentence for people. */
export interface PageNote {
	readonly span: Span;
	readonly sentence: string;
}

/** What scripts set when they measure and position: sizes, offsets and transforms. */
const PLACES =
	/^(?:(?:min-|max-)?(?:width|height|inline-size|block-size)|top|right|bottom|left|inset.*|margin.*|padding.*|flex-basis|transform|translate)$/;

/** A length that nobody writes by hand: a fraction of a pixel, or part of a 3D transform. */
const MEASURED = /\d\.\d+px|translate3d|matrix/;

/**
 * Lengths in px in style attributes, where they beat every normal declaration of the sheets; those that a script
 * seems to have left are marked.
 */
export function* styleLengths(page: Page): Generator<PageNote> {
	for (const element of page.elements) {
		const span = element.attributes.get('style')?.span;
		const style = attribute(element, 'style');
		if (!span || !style) continue;
		const found = style
			.split(';')
			.map((text) => text.trim())
			.filter((text) => {
				const [, property = '', value = ''] = /^([\w-]+)\s*:(.*)$/s.exec(text) ?? [];
				return PLACES.test(property.toLowerCase()) && /\dpx|matrix/i.test(value);
			});
		if (found.length === 0) continue;
		const words = found.map((text) => `\`${text}\``).join(', ');
		const left = found.some((text) => MEASURED.test(text));
		yield {
			span,
			sentence: left
				? `${words}: a script seems to have left this here; it beats the sheets at every width.`
				: `${words}: in a style attribute this beats the sheets at every width.`
		};
	}
}
