import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §12.1: whether less motion is requested. */
export const prefersReducedMotion: MediaFeature = {
	name: 'prefers-reduced-motion',
	kind: 'keyword',
	keywords: ['no-preference', 'reduce'],
	holding: (vantage) => [vantage.reducedMotion ? 'reduce' : 'no-preference'],
	falsy: 'no-preference'
};
