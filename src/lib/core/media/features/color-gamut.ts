import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §6.4: sRGB on every vantage. */
export const colorGamut: MediaFeature = {
	name: 'color-gamut',
	kind: 'keyword',
	keywords: ['srgb', 'p3', 'rec2020'],
	holding: () => ['srgb']
};
