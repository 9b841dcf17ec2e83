<script lang="ts">
	import { messageOf, type FilePlace } from '$lib/core/text/index.ts';
	import { printValue, type Change } from '$lib/core/curve/index.ts';
	import { untrack } from 'svelte';
	import { figure } from '$lib/core/box/index.ts';
	import { nameAt, type ElementPath } from '$lib/core/html/index.ts';
	import { toNumber } from '$lib/core/interval/index.ts';
	import type { Bands } from '$lib/core/media/index.ts';
	import { carriage } from '$lib/session/carriage.svelte.ts';
	import { causeOf, conditionsAt, type Cause, type Followed } from './causes.ts';
	import { edgesOf } from '$lib/inquiry/follow.ts';
	import { BOX, type Following } from './following.svelte.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import { sweptAs } from '$lib/features/findings/sweeping.svelte.ts';
	import type { Trace } from '$lib/inquiry/trace.ts';
	import Curve from '$lib/ui/curve/Curve.svelte';
	import ChangeCause from './ChangeCause.svelte';
	import Edges from '$lib/features/findings/Edges.svelte';
	import { later } from '$lib/session/later.svelte.ts';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		site: SiteState;
		page: PageState;
		following: Following;
		bands: Bands;
		/** What is selected. */
		path: ElementPath;
		trace: (path: ElementPath) => Promise<Trace | null>;
		onplace: (place: FilePlace) => void;
	}

	let { site, page, following, bands, path, trace, onplace }: Props = $props();

	/** Properties that are declared on what is selected. */
	const asked = later({
		question: () => path,
		about: (of) => of.join(),
		ask: async (of) => (await trace(of))?.properties ?? []
	});
	const declared = $derived(asked.value ?? []);

	const { changes, coverage, of } = $derived(following);
	const as = $derived(of && sweptAs(of.swept.lead, of.swept.plain).as);
	const name = $derived(of ? nameAt(of.swept.page.page, of.path, 'what is selected') : '');
	const box = $derived(BOX.find(({ property }) => property === following.property));
	const called = $derived(box?.name ?? following.property);
	const count = $derived(Math.max(0, ...following.pieces.map(([{ value }]) => value.numbers.length)));
	/** So many numbers of a value are drawn at most: more cannot be told apart. */
	const MOST = 6;
	const lines = $derived(
		Array.from({ length: Math.min(MOST, count) }, (_, i) =>
			following.pieces.map((piece) =>
				piece.flatMap(({ width, value }): (readonly [number, number])[] => {
					const number = value.numbers[i];
					return number === undefined ? [] : [[width, number]];
				})
			)
		)
	);
	const at = ({ kind, at, within, after }: Change): string =>
		kind === 'knee' ? `${within > 1 ? '≈ ' : ''}${Math.round(at * 10) / 10}` : String(after);
	const grows = (slope: number): string =>
		Math.abs(slope) < 0.0005
			? 'stands still'
			: `${slope > 0 ? 'grows' : 'shrinks'} ${figure(Math.abs(slope) * 100)} a 100 px`;
	const said = ({ kind, from, to, slopes }: Change): string =>
		kind === 'knee'
			? `${printValue(from)}: ${grows(slopes[0])}, then ${grows(slopes[1])}`
			: `${printValue(from)} → ${printValue(to)}`;
	/** So many changes are explained without being asked. */
	const EXPLAINED = 12;
	/** Why changes are, by their widths, as far as that is known; of what is followed now. */
	let causes = $state.raw<ReadonlyMap<number, Cause>>(new Map());
	let trouble = $state('');
	$effect(() => {
		void following.of;
		causes = new Map();
	});
	/** Where the changes are: the same while widths between them are measured. */
	const placed = $derived(changes.map(({ kind, before }) => `${kind} ${before}`).join());
	const isExact = $derived(following.phase !== 'quick');
	$effect(() => {
		void placed;
		const { chosen } = following;
		const [followed, all] = [of, untrack(() => changes)];
		const vantage = untrack(() => as);
		if (!isExact || !followed || !vantage) return;
		const gone = new AbortController();
		const wished = [...all.filter(({ before }) => before === chosen), ...all.slice(0, EXPLAINED)];
		const asked = {
			...followed.swept,
			...followed,
			layout: followed.swept.stages,
			as: vantage,
			settings: site.kept.finding.list
		};
		untrack(() => void explain(asked, wished, all, gone.signal));
		return () => gone.abort();
	});
	async function explain(
		asked: Followed,
		wished: readonly Change[],
		all: readonly Change[],
		signal: AbortSignal
	): Promise<void> {
		trouble = '';
		try {
			for (const change of wished) {
				if (causes.has(change.before)) continue;
				const cause = await causeOf(asked, change, all, signal);
				if (signal.aborted) return;
				causes = new Map([...causes, [change.before, cause]]);
			}
		} catch (error) {
			if (!signal.aborted) trouble = messageOf(error);
		}
	}

	/** Why a change is, in a few words. */
	function shortly(change: Change): string {
		const { blamed, broken, sites } = causes.get(change.before) ?? { blamed: [], broken: [], sites: [] };
		const [blame] = blamed;
		const [first] = broken;
		if (blame) return `${blame.from.property}: ${blame.from.written}`;
		if (first)
			return `${nameAt(page.page, first.path, 'something')}: ${first.from} → ${first.to} ${first.what}`;
		const [site] = sites.length > 0 || !as ? sites : conditionsAt({ page, as }, change);
		return site ? site.text : change.kind === 'knee' ? 'a knee' : 'within a band';
	}

	/** Shows a change: the carriage at its first px. */
	function show(change: Change): void {
		const same = following.chosen === change.before;
		following.chosen = same ? null : change.before;
		if (!same) carriage.width = edgesOf(change)[1];
	}

	let wished = $state('');
	function follow(event: SubmitEvent): void {
		event.preventDefault();
		const named = wished.trim();
		// Custom properties alone are told apart by case.
		const property = named.startsWith('--') ? named : named.toLowerCase();
		if (property !== '') following.property = property;
		wished = '';
	}
	const value = $derived(following.known.get(carriage.width));
</script>

<Trouble sentence={asked.error} />
<form onsubmit={follow}>
	<select
		aria-label="What is followed"
		value={following.property}
		onchange={(event) => (following.property = event.currentTarget.value)}
	>
		{#each BOX as { property, name } (property)}<option value={property}>{name}</option>{/each}
		{#each declared as property, i (i)}<option>{property}</option>{/each}
		{#if !box && !declared.includes(following.property)}<option>{following.property}</option>{/if}
	</select>
	<b>of {name}</b>
	<input
		bind:value={wished}
		aria-label="Another property to follow"
		placeholder="or a property"
		autocomplete="off"
		spellcheck="false"
	/>
</form>
<p class="status" role="status">
	<b
		>{changes.length === 0
			? following.phase === 'done'
				? 'No change: it goes as one line over all widths.'
				: coverage.measured === 0
					? 'Nothing measured yet.'
					: 'No change so far.'
			: `${changes.length} change${changes.length === 1 ? '' : 's'}.`}</b
	>
	{following.phase === 'done'
		? `All ${coverage.of} widths measured.`
		: `${coverage.measured} of ${coverage.of} widths measured.`}
	{#if value}At {carriage.width}: <code>{printValue(value)}</code>{/if}
</p>
{#each [following.trouble, trouble].filter((one) => one !== '') as one, i (i)}<p class="trouble" role="alert">
		{one}
	</p>{/each}
{#if lines.length > 0}
	<Curve
		{lines}
		range={carriage.range}
		cuts={bands.thresholds.map(({ cut }) => toNumber(cut.at))}
		width={carriage.width}
		onwidth={(width) => (carriage.width = width)}
		label="{called} over widths from {carriage.range[0]} to {carriage.range[1]} px"
	/>
{/if}
<ul>
	{#each changes as change (change.before)}
		<li>
			<button type="button" aria-expanded={following.chosen === change.before} onclick={() => show(change)}>
				<span class="at">{at(change)}</span>
				<span>{said(change)}</span>
				<span class="cause">{shortly(change)}</span>
			</button>
			{#if following.chosen === change.before && of && as}
				<div class="detail">
					<ChangeCause {page} cause={causes.get(change.before) ?? null} {onplace} />
					<Edges edges={edgesOf(change)} />
				</div>
			{/if}
		</li>
	{/each}
</ul>

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 0.5rem;
		align-items: baseline;
		font-size: 0.8125rem;
	}

	select,
	input {
		min-height: 1.5rem;
		border: 0;
		border-bottom: 1px solid var(--ink);
		background: none;
	}

	input {
		width: 7rem;
	}

	.status {
		min-height: 1.625rem;
		color: var(--ink-2);
		font-size: 0.8125rem;
	}

	.status b {
		color: var(--ink);
	}

	code {
		font: 0.8125rem/1.4 var(--mono);
	}

	.trouble {
		color: var(--rubric);
	}

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
