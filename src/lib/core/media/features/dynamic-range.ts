import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §6.5: standard on every vantage. */
export const dynamicRange: MediaFeature = {
	name: 'dynamic-range',
	kind: 'keyword',
	keywords: ['standard', 'high'],
	holding: () => ['standard']
};
