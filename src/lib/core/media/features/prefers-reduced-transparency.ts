import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §12.2: not requested in any vantage. */
export const prefersReducedTransparency: MediaFeature = {
	name: 'prefers-reduced-transparency',
	kind: 'keyword',
	keywords: ['no-preference', 'reduce'],
	holding: () => ['no-preference'],
	falsy: 'no-preference'
};
