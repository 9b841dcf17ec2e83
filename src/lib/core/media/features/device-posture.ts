import type { MediaFeature } from '../feature.ts';

/** Device Posture API §5: not folded on any vantage. */
export const devicePosture: MediaFeature = {
	name: 'device-posture',
	kind: 'keyword',
	keywords: ['continuous', 'folded'],
	holding: () => ['continuous']
};
