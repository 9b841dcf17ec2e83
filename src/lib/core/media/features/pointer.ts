import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §7.1: the accuracy of the primary pointing device. */
export const pointer: MediaFeature = {
	name: 'pointer',
	kind: 'keyword',
	keywords: ['none', 'coarse', 'fine'],
	holding: (vantage) => [vantage.pointer],
	falsy: 'none'
};
