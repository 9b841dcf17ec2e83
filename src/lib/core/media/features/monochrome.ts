import { ZERO } from '../../interval/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §6.3: bits of grey; 0, since every vantage has colour. */
export const monochrome: MediaFeature = {
	name: 'monochrome',
	kind: 'integer',
	ranged: true,
	actual: () => ZERO
};
