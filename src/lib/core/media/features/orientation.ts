import { ONE } from '../../interval/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §4.4: portrait where the height is at least the width. */
export const orientation: MediaFeature = {
	name: 'orientation',
	kind: 'alias',
	keywords: {
		portrait: { feature: 'aspect-ratio', operator: '<=', width: ONE, height: ONE },
		landscape: { feature: 'aspect-ratio', operator: '>', width: ONE, height: ONE }
	}
};
