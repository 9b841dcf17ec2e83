import { SCREENS } from './index.ts';

/** Every part of the application that comes when it is first wanted. */
export const PARTS: readonly (() => Promise<unknown>)[] = [
	() => import('$lib/core/grammar/index.ts'),
	() => import('@codemirror/lang-html'),
	() => import('$lib/features/outline/Outline.svelte'),
	() => import('$lib/features/originals/Originals.svelte'),
	() => import('$lib/features/findings/Findings.svelte'),
	() => import('$lib/features/states/States.svelte'),
	() => import('$lib/features/curve/CurveOf.svelte'),
	() => import('$lib/features/markup/Markup.svelte'),
	() => import('$lib/features/collation/Collation.svelte'),
	() => import('$lib/features/trace/Trace.svelte'),
	() => import('$lib/features/reach/Reach.svelte'),
	() => import('$lib/features/box/Twins.svelte'),
	() => import('$lib/features/box/Box.svelte'),
	() => import('$lib/features/findings/sweeping.svelte.ts'),
	() => import('$lib/features/curve/following.svelte.ts'),
	() => import('$lib/features/holds/holding.svelte.ts'),
	() => import('$lib/features/wake/waking.svelte.ts'),
	() => import('$lib/inquiry/trace.ts'),
	() => import('$lib/features/arrange/EditCards.svelte'),
	() => import('$lib/features/holds/Holds.svelte'),
	() => import('$lib/inquiry/idle.ts'),
	() => import('$lib/inquiry/instead.ts'),
	() => import('$lib/features/wake/WakeLine.svelte'),
	() => import('$lib/features/search/Leftovers.svelte'),
	() => import('$lib/features/search/SearchAll.svelte'),
	() => import('$lib/features/collation/collating.svelte.ts'),
	() => import('$lib/features/collation/hand.svelte.ts'),
	() => import('$lib/features/arrange/edits.svelte.ts'),
	...SCREENS.flatMap(({ shown }) => ('load' in shown ? shown.load : []))
];
