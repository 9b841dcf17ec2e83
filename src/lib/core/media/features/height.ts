import { rationalFromNumber } from '../../interval/index.ts';
import { line } from '../../length/index.ts';
import { heightsOf } from '../../vantage/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §4.2: the height of the viewport with the present state of its bars. */
export const height: MediaFeature = {
	name: 'height',
	kind: 'length',
	actual: (vantage) => line(rationalFromNumber(heightsOf(vantage).dynamic))
};
