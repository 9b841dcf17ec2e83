import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §5.5: what happens to content beyond the viewport in the inline axis. */
export const overflowInline: MediaFeature = {
	name: 'overflow-inline',
	kind: 'keyword',
	keywords: ['none', 'scroll'],
	holding: (vantage) => [vantage.medium === 'print' ? 'none' : 'scroll'],
	falsy: 'none'
};
