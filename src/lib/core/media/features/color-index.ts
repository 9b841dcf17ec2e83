import { ZERO } from '../../interval/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §6.2: entries of a colour table; none on any vantage. */
export const colorIndex: MediaFeature = {
	name: 'color-index',
	kind: 'integer',
	ranged: true,
	actual: () => ZERO
};
