import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §10.1: the browser has a way back on every vantage. */
export const navControls: MediaFeature = {
	name: 'nav-controls',
	kind: 'keyword',
	keywords: ['none', 'back'],
	holding: () => ['back'],
	falsy: 'none'
};
