import { ONE } from '../../interval/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §5.7: viewport segments one below another; 1 on every vantage. */
export const verticalViewportSegments: MediaFeature = {
	name: 'vertical-viewport-segments',
	kind: 'integer',
	ranged: true,
	actual: () => ONE
};
