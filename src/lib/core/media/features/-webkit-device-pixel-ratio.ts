import { rationalFromNumber } from '../../interval/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Compatibility Standard §4.1: like resolution, with a bare number for dppx. */
export const devicePixelRatio: MediaFeature = {
	name: '-webkit-device-pixel-ratio',
	kind: 'resolution',
	bare: true,
	actual: (vantage) => rationalFromNumber(vantage.density)
};
