import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §12.5: light or dark. */
export const prefersColorScheme: MediaFeature = {
	name: 'prefers-color-scheme',
	kind: 'keyword',
	keywords: ['light', 'dark'],
	holding: (vantage) => [vantage.colorScheme]
};
