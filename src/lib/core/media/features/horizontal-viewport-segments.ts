import { ONE } from '../../interval/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §5.6: viewport segments side by side; 1 on every vantage. */
export const horizontalViewportSegments: MediaFeature = {
	name: 'horizontal-viewport-segments',
	kind: 'integer',
	ranged: true,
	actual: () => ONE
};
