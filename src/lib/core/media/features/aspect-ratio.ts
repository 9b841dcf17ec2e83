import { ONE, rationalFromNumber, ZERO } from '../../interval/index.ts';
import { line } from '../../length/index.ts';
import { heightsOf } from '../../vantage/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §4.3: width over height of the viewport. */
export const aspectRatio: MediaFeature = {
	name: 'aspect-ratio',
	kind: 'ratio',
	actual: (vantage) => ({
		width: line(ZERO, ONE),
		height: line(rationalFromNumber(heightsOf(vantage).dynamic))
	})
};
