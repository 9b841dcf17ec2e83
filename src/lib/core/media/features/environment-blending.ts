import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §5.9: an opaque screen on every vantage. */
export const environmentBlending: MediaFeature = {
	name: 'environment-blending',
	kind: 'keyword',
	keywords: ['opaque', 'additive', 'subtractive'],
	holding: () => ['opaque']
};
