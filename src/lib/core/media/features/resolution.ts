import { rationalFromNumber } from '../../interval/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §5.1: device pixels per CSS px. */
export const resolution: MediaFeature = {
	name: 'resolution',
	kind: 'resolution',
	bare: false,
	actual: (vantage) => rationalFromNumber(vantage.density)
};
