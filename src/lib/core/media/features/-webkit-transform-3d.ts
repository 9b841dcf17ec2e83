import { ONE } from '../../interval/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Compatibility Standard §4.2: 1 where 3D transforms are supported, as in every vantage. */
export const transform3d: MediaFeature = {
	name: '-webkit-transform-3d',
	kind: 'integer',
	ranged: false,
	actual: () => ONE
};
