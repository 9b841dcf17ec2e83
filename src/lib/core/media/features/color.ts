import { rational } from '../../interval/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §6.1: bits per colour component; 8 in every vantage. */
export const color: MediaFeature = {
	name: 'color',
	kind: 'integer',
	ranged: true,
	actual: () => rational(8)
};
