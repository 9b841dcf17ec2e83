import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §12.3: more or less contrast. */
export const prefersContrast: MediaFeature = {
	name: 'prefers-contrast',
	kind: 'keyword',
	keywords: ['no-preference', 'less', 'more', 'custom'],
	holding: (vantage) => [vantage.contrast],
	falsy: 'no-preference'
};
