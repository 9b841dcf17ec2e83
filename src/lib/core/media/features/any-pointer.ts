import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §7.3: the accuracy of any pointing device; several can apply. */
export const anyPointer: MediaFeature = {
	name: 'any-pointer',
	kind: 'keyword',
	keywords: ['none', 'coarse', 'fine'],
	holding: (vantage) => (vantage.anyPointer.length > 0 ? vantage.anyPointer : ['none']),
	falsy: 'none'
};
