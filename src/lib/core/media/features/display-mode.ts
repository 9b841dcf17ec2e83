import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §5.8: a browser's tab on every vantage. */
export const displayMode: MediaFeature = {
	name: 'display-mode',
	kind: 'keyword',
	keywords: [
		'fullscreen',
		'standalone',
		'minimal-ui',
		'browser',
		'picture-in-picture',
		'window-controls-overlay'
	],
	holding: () => ['browser']
};
