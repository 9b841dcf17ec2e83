import { ONE, rationalFromNumber, ZERO } from '../../interval/index.ts';
import { line } from '../../length/index.ts';
import { heightsOf } from '../../vantage/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 4, Appendix A: width over height of the screen, which a vantage fills. */
export const deviceAspectRatio: MediaFeature = {
	name: 'device-aspect-ratio',
	kind: 'ratio',
	actual: (vantage) => ({
		width: line(ZERO, ONE),
		height: line(rationalFromNumber(heightsOf(vantage).large))
	})
};
