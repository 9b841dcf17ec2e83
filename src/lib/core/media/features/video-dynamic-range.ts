import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §8.2: standard on every vantage. */
export const videoDynamicRange: MediaFeature = {
	name: 'video-dynamic-range',
	kind: 'keyword',
	keywords: ['standard', 'high'],
	holding: () => ['standard']
};
