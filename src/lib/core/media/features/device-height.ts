import { rationalFromNumber } from '../../interval/index.ts';
import { line } from '../../length/index.ts';
import { heightsOf } from '../../vantage/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 4, Appendix A: the height of the screen; a vantage fills its screen, so the large viewport's. */
export const deviceHeight: MediaFeature = {
	name: 'device-height',
	kind: 'length',
	actual: (vantage) => line(rationalFromNumber(heightsOf(vantage).large))
};
