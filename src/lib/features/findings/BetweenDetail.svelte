<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import type { Interval } from '$lib/core/interval/index.ts';
	import { widthsAround } from '$lib/core/sweep/index.ts';
	import type { SeenVantage } from '$lib/core/vantage/index.ts';
	import type { Unlike } from '$lib/inquiry/between.ts';
	import type { FindingRow } from '$lib/inquiry/findings.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { Swept } from './sweeping.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import Button from '$lib/ui/Button.svelte';
	import PlaceButton from '$lib/ui/PlaceButton.svelte';
	import { placeName } from '$lib/features/frames/placeName.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		page: PageState;
		swept: Swept;
		as: SeenVantage;
		/** The gap between px, and the conditions on both sides of it. */
		closes: NonNullable<FindingRow['closes']>;
		onplace: (place: FilePlace) => void;
		/** Closes the gap. */
		onjoin: (stretch: Interval) => void;
	}

	let { page, swept, as, closes, onplace, onjoin }: Props = $props();
	const { viewing } = getSite();

	const { interval, places } = $derived(closes);
	const widths = $derived(widthsAround(interval));
	const between = $derived(widths?.[1]);

	/** What differs there from both sides; null while it is measured. */
	const answer = later<readonly [number, number, number], Unlike | undefined>({
		question: () => widths,
		about: String,
		ask: (widths, signal) => {
			const { page, stages } = swept;
			return stages.measurer.unlike({ path: page.path, texts: page.texts, as }, widths, signal);
		}
	});
	const unlike = $derived(answer.value ?? null);
	$effect(() => () => {
		if (typeof viewing.beside === 'number') viewing.beside = null;
	});
</script>

<Trouble sentence={answer.error} />
<p role="status">
	{#if between === undefined}
		It is too narrow to be laid out: less than a 16th of a px.
	{:else if unlike === null && answer.error === ''}
		It is laid out at {between} …
	{:else if unlike?.count === 0}
		At {between} the page is as on one of its sides.
	{:else if unlike}
		At {between}
		{unlike.count === 1 ? '1 element is' : `${unlike.count} elements are`} as on neither side: {unlike.names.join(
			', '
		)}{unlike.names.length < unlike.count ? ' …' : ''}
	{/if}
</p>
<p>
	{#each places as place, i (i)}
		<PlaceButton onclick={() => onplace(place)}
			>{placeName(page, { file: place.path, span: { start: place.offset, end: place.offset } })}</PlaceButton
		>
	{/each}
	{#if between !== undefined}
		<Button
			look="quiet"
			aria-pressed={viewing.beside === between}
			onclick={() => (viewing.beside = viewing.beside === between ? null : between)}
			>{viewing.beside === between ? 'Chorus again' : `See it at ${between}`}</Button
		>
	{/if}
	<Button look="quiet" onclick={() => onjoin(interval)}>Close the stretch</Button>
</p>

<style>
	p {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.5rem;
		align-items: center;
		min-height: 1.625rem;
	}
</style>
