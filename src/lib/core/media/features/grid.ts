import { ZERO } from '../../interval/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §5.5: 1 on a terminal; 0 on every vantage. */
export const grid: MediaFeature = {
	name: 'grid',
	kind: 'integer',
	ranged: false,
	actual: () => ZERO
};
