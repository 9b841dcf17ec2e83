import { ONE, ZERO } from '../../interval/index.ts';
import { line } from '../../length/index.ts';
import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §4.1: the width of the viewport. */
export const width: MediaFeature = {
	name: 'width',
	kind: 'length',
	actual: () => line(ZERO, ONE)
};
