import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §7.3: whether any pointing device can hover. */
export const anyHover: MediaFeature = {
	name: 'any-hover',
	kind: 'keyword',
	keywords: ['none', 'hover'],
	holding: (vantage) => [vantage.anyHover],
	falsy: 'none'
};
