import type { MediaFeature } from '../feature.ts';
import { aspectRatio } from './aspect-ratio.ts';

/** Media Queries 4, Appendix A: width over height of the screen, which a vantage fills. */
export const deviceAspectRatio: MediaFeature = {
	...aspectRatio,
	name: 'device-aspect-ratio'
};
