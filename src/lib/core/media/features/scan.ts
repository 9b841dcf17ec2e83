import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §5.2: how the screen is drawn. */
export const scan: MediaFeature = {
	name: 'scan',
	kind: 'keyword',
	keywords: ['interlace', 'progressive'],
	holding: () => ['progressive']
};
