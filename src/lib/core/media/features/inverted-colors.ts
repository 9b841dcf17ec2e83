import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §6.6: not inverted on any vantage. */
export const invertedColors: MediaFeature = {
	name: 'inverted-colors',
	kind: 'keyword',
	keywords: ['none', 'inverted'],
	holding: () => ['none'],
	falsy: 'none'
};
