import type { MediaFeature } from '../feature.ts';

/** Media Queries 5 §9.1: enabled, as in a visitor's browser. */
export const scripting: MediaFeature = {
	name: 'scripting',
	kind: 'keyword',
	keywords: ['none', 'initial-only', 'enabled'],
	holding: () => ['enabled'],
	falsy: 'none'
};
