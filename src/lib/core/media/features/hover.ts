import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §7.2: whether the primary pointing device can hover. */
export const hover: MediaFeature = {
	name: 'hover',
	kind: 'keyword',
	keywords: ['none', 'hover'],
	holding: (vantage) => [vantage.hover],
	falsy: 'none'
};
