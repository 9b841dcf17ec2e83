import { ONE, ZERO } from '../../interval/index.ts';
import { line } from '../../length/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 4, Appendix A: the width of the screen; a vantage fills its screen, so the viewport's. */
export const deviceWidth: MediaFeature = {
	name: 'device-width',
	kind: 'length',
	actual: () => line(ZERO, ONE)
};
