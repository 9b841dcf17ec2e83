<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import { printValue } from '$lib/core/curve/index.ts';
	import { untrack } from 'svelte';
	import { nameAt, type ElementPath } from '$lib/core/html/index.ts';
	import { toNumber } from '$lib/core/interval/index.ts';
	import type { Bands } from '$lib/core/media/index.ts';
	import CurveChanges from './CurveChanges.svelte';
	import { Explaining } from './explaining.svelte.ts';
	import { BOX, type Following } from './following.svelte.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import { sweptAs } from '$lib/features/findings/sweeping.svelte.ts';
	import type { Trace } from '$lib/inquiry/trace.ts';
	import Curve from '$lib/ui/curve/Curve.svelte';
	import { later } from '$lib/session/later.svelte.ts';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		site: SiteState;
		page: PageState;
		following: Following;
		bands: Bands;
		/** The selection. */
		path: ElementPath;
		trace: (path: ElementPath) => Promise<Trace | null>;
		onplace: (place: FilePlace) => void;
	}

	let { site, page, following, bands, path, trace, onplace }: Props = $props();
	const { carriage } = getSite();

	/** Properties declared on the selected element. */
	const asked = later({
		question: () => path,
		about: (of) => of.join(),
		ask: async (of) => (await trace(of))?.properties ?? []
	});
	const declared = $derived(asked.value ?? []);

	const { changes, coverage, of } = $derived(following);
	const as = $derived(of && sweptAs(of.swept.lead).as);
	const name = $derived(of ? nameAt(of.swept.page.page, of.path, 'what is selected') : '');
	const box = $derived(BOX.find(({ property }) => property === following.property));
	const called = $derived(box?.name ?? following.property);
	const count = $derived(Math.max(0, ...following.pieces.map(([{ value }]) => value.numbers.length)));
	/** At most so many numbers of a value are drawn: more cannot be distinguished. */
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
	const explaining = new Explaining({
		site: untrack(() => site),
		following: untrack(() => following),
		as: () => as
	});

	let entered = $state('');
	function follow(event: SubmitEvent): void {
		event.preventDefault();
		const named = entered.trim();
		// Only custom properties are case-sensitive.
		const property = named.startsWith('--') ? named : named.toLowerCase();
		if (property !== '') following.property = property;
		entered = '';
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
		bind:value={entered}
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
				? 'No change: one straight line over all widths.'
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
{#each [following.trouble, explaining.trouble].filter((one) => one !== '') as one, i (i)}<p
		class="trouble"
		role="alert"
	>
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
{/if}<CurveChanges {page} {following} {explaining} {as} {onplace} />

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
</style>
