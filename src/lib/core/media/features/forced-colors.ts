import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §12.5: whether the browser forces a palette. */
export const forcedColors: MediaFeature = {
	name: 'forced-colors',
	kind: 'keyword',
	keywords: ['none', 'active'],
	holding: (vantage) => [vantage.forcedColors ? 'active' : 'none'],
	falsy: 'none'
};
