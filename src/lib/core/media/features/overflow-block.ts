import type { MediaFeature } from '../feature.ts';

/** Media Queries 4 §5.4: what happens to content beyond the viewport in the block axis. */
export const overflowBlock: MediaFeature = {
	name: 'overflow-block',
	kind: 'keyword',
	keywords: ['none', 'scroll', 'paged'],
	holding: (vantage) => [vantage.medium === 'print' ? 'paged' : 'scroll'],
	falsy: 'none'
};
