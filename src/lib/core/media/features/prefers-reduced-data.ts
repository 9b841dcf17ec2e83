import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §12.6: not requested in any vantage. */
export const prefersReducedData: MediaFeature = {
	name: 'prefers-reduced-data',
	kind: 'keyword',
	keywords: ['no-preference', 'reduce'],
	holding: () => ['no-preference'],
	falsy: 'no-preference'
};
