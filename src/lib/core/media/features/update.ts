import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §5.3: how quickly the output can change. */
export const update: MediaFeature = {
	name: 'update',
	kind: 'keyword',
	keywords: ['none', 'slow', 'fast'],
	holding: (vantage) => [vantage.medium === 'print' ? 'none' : 'fast'],
	falsy: 'none'
};
