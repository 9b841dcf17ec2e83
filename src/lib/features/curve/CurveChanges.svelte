<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { figure } from '$lib/core/box/index.ts';
	import { printValue, type Change } from '$lib/core/curve/index.ts';
	import { nameAt } from '$lib/core/html/index.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import type { SeenVantage } from '$lib/core/vantage/index.ts';
	import Edges from '$lib/features/findings/Edges.svelte';
	import { edgesOf } from '$lib/inquiry/follow.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import { conditionsAt } from './causes.ts';
	import ChangeCause from './ChangeCause.svelte';
	import type { Explaining } from './explaining.svelte.ts';
	import type { Following } from './following.svelte.ts';

	interface Props {
		page: PageState;
		following: Following;
		explaining: Explaining;
		/** The vantage in which it is followed; null before that begins. */
		as: SeenVantage | null;
		onplace: (place: FilePlace) => void;
	}

	let { page, following, explaining, as, onplace }: Props = $props();
	const { carriage } = getSite();

	const at = ({ kind, at, within, after }: Change): string =>
		kind === 'knee' ? `${within > 1 ? '≈ ' : ''}${Math.round(at * 10) / 10}` : String(after);
	const grows = (slope: number): string =>
		Math.abs(slope) < 0.0005
			? 'stays constant'
			: `${slope > 0 ? 'grows' : 'shrinks'} ${figure(Math.abs(slope) * 100)} a 100 px`;
	const said = ({ kind, from, to, slopes }: Change): string =>
		kind === 'knee'
			? `${printValue(from)}: ${grows(slopes[0])}, then ${grows(slopes[1])}`
			: `${printValue(from)} → ${printValue(to)}`;
	/** The cause of a change, in a few words. */
	function shortly(change: Change): string {
		const { blamed, broken, sites } = explaining.causes.get(change.before) ?? {
			blamed: [],
			broken: [],
			sites: []
		};
		const [blame] = blamed;
		const [first] = broken;
		if (blame) return `${blame.from.property}: ${blame.from.written}`;
		if (first)
			return `${nameAt(page.page, first.path, 'something')}: ${first.from} → ${first.to} ${first.what}`;
		const [site] = sites.length > 0 || !as ? sites : conditionsAt({ page, as }, change);
		return site ? site.text : change.kind === 'knee' ? 'a knee' : 'within a band';
	}

	/** Shows a change by moving the carriage to its first px. */
	function show(change: Change): void {
		const same = following.chosen === change.before;
		following.chosen = same ? null : change.before;
		if (!same) carriage.width = edgesOf(change)[1];
	}
</script>

<ul>
	{#each following.changes as change (change.before)}
		<li>
			<button type="button" aria-expanded={following.chosen === change.before} onclick={() => show(change)}>
				<span class="at">{at(change)}</span>
				<span>{said(change)}</span>
				<span class="cause">{shortly(change)}</span>
			</button>
			{#if following.chosen === change.before && as}
				<div class="detail">
					<ChangeCause {page} cause={explaining.causes.get(change.before) ?? null} {onplace} />
					<Edges edges={edgesOf(change)} />
				</div>
			{/if}
		</li>
	{/each}
</ul>

<style>
	ul {
		margin: 0.375rem 0 0;
		padding: 0;
		list-style: none;
	}

	li {
		border-bottom: 1px solid var(--hair);
	}

	li button {
		display: grid;
		grid-template-columns: 4.5rem minmax(0, 1.4fr) minmax(0, 1fr);
		gap: 0.5rem;
		width: 100%;
		min-height: 1.75rem;
		padding: 0.25rem;
		border: 0;
		background: none;
		color: inherit;
		font-size: 0.8125rem;
		text-align: left;
		cursor: pointer;
	}

	li button:hover,
	li button[aria-expanded='true'] {
		background: var(--pick);
	}

	.at {
		color: var(--blue);
		font-family: var(--mono);
	}

	.cause {
		color: var(--ink-2);
	}

	.detail {
		padding: 0 0.25rem 0.375rem 1.25rem;
		background: var(--pick);
		font-size: 0.8125rem;
	}
</style>
