<script lang="ts">
	import { compare, printRational, type Rational } from '$lib/core/interval/index.ts';
	import {
		breakpointOf,
		breakpointsOf,
		lengthContext,
		namesOf,
		nearBreakpoints,
		toleratedPx,
		type Threshold
	} from '$lib/core/media/index.ts';
	import { EM, PLAIN } from '$lib/core/vantage/index.ts';
	import PlaceList from './PlaceList.svelte';
	import type { Places, Shift } from './places.ts';
	import TextInput from '../TextInput.svelte';

	interface Props extends Places {
		thresholds: readonly Threshold[];
		/** Those of the whole page. */
		all: readonly Threshold[];
		/** The side to which the card extends, where there is no room for centring it. */
		shift: 'none' | 'left' | 'right';
		/** What can be done with them; undefined where nothing can. */
		onshift?: Shift | undefined;
		/** Called when something was done, and the card is in the way. */
		onchosen: () => void;
	}

	let { thresholds, all, placeOf, onplace, shift, onshift, onchosen }: Props = $props();

	/** Their breakpoints, each once with its halves. */
	const points = $derived.by(() => {
		const sorted = breakpointsOf(all);
		const own = new Map(thresholds.map((one) => [printRational(breakpointOf(one, all)), one]));
		return [...own.values()].map((threshold) => {
			const at = breakpointOf(threshold, all);
			const i = sorted.findIndex((one) => compare(one, at) === 0);
			const texts = all
				.filter((one) => compare(breakpointOf(one, all), at) === 0)
				.flatMap(({ causes }) => causes.map(({ text }) => text));
			return {
				threshold,
				at,
				name: namesOf(texts, at, EM).join(', '),
				near: nearBreakpoints(at, all),
				beside: [sorted[i - 1], sorted[i + 1]].filter((one) => one !== undefined)
			};
		});
	});

	/** Reads what was typed into a field for a breakpoint. */
	function go(event: SubmitEvent & { currentTarget: HTMLFormElement }, threshold: Threshold): void {
		event.preventDefault();
		const typed = String(new FormData(event.currentTarget).get('to') ?? '')
			.replace(/px$/i, '')
			.trim();
		const px = Number(typed);
		if (typed === '' || !Number.isFinite(px) || px <= 0) return;
		onchosen();
		onshift?.begin(threshold);
		onshift?.put(px);
	}

	function name(event: SubmitEvent & { currentTarget: HTMLFormElement }, at: Rational): void {
		event.preventDefault();
		const typed = String(new FormData(event.currentTarget).get('name') ?? '');
		onchosen();
		onshift?.name(at, typed);
	}

	function gather(froms: readonly Rational[], to: Rational): void {
		onchosen();
		onshift?.gather(froms, to);
	}
</script>

<div class="card {shift}">
	{#if onshift}
		{#each points as { threshold, at, name: called, near, beside }, i (i)}
			{@const words = printRational(at)}
			<div class="acts" role="group" aria-label="Breakpoint {words}">
				<form onsubmit={(event) => go(event, threshold)}>
					<label>
						Move {points.length > 1 ? words : ''} everywhere to
						<TextInput
							width="4.5rem"
							name="to"
							inputmode="decimal"
							aria-label="Width to which {words} goes everywhere, px"
						/> px
					</label>
				</form>
				<form onsubmit={(event) => name(event, at)}>
					<label>
						called
						<TextInput name="name" value={called} maxlength={60} aria-label="Name of {words}" />
					</label>
				</form>
				{#if near.length > 0}
					<p>
						near it {near.map(printRational).join(', ')}
						<button type="button" onclick={() => gather(near, at)}>Bring together at {words}</button>
					</p>
				{/if}
				{#if beside.length > 0}
					<p>
						Merge this breakpoint into
						{#each beside as to, i (i)}
							<button type="button" onclick={() => gather([at], to)}>{printRational(to)}</button>
						{/each}
					</p>
				{/if}
			</div>
		{/each}
	{/if}
	{#each thresholds as threshold (`${printRational(threshold.cut.at)}${threshold.cut.after}`)}
		{@const { cut, causes } = threshold}
		{@const seen = toleratedPx(threshold, lengthContext(PLAIN))}
		<h2>
			{printRational(cut.at)}
			<small>{cut.after ? 'the width itself is still below' : 'the width itself is already above'}</small>
		</h2>
		{#if seen}
			<p class="seen">
				In a browser the change is {seen.side === 'under'
					? `between ${seen.px} and ${seen.px + 1}`
					: `between ${seen.px - 1} and ${seen.px}`} px: it takes lengths within 1/64 px for equal, so
				{seen.px} px counts as {seen.side === 'under' ? 'below' : 'above'}.
			</p>
		{/if}
		<PlaceList stated={causes} {placeOf} {onplace} />
	{/each}
</div>

<style>
	.card {
		position: absolute;
		top: 100%;
		left: 50%;
		width: max-content;
		max-width: 28.75rem;
		max-height: 22.5rem;
		padding: 0.625rem 0.75rem;
		translate: -50% 0;
		border: 1px solid var(--ink);
		background: var(--sheet);
		box-shadow: 0 6px 18px rgb(0 0 0 / 0.18);
		overflow: auto;
	}

	.card.right {
		left: 0;
		translate: 0 0;
	}

	.card.left {
		right: 0;
		left: auto;
		translate: 0 0;
	}

	h2 {
		font: 600 0.875rem/1.3 var(--mono);
	}

	h2:not(:first-child) {
		margin-top: 0.5rem;
	}

	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 1rem;
		align-items: center;
		margin-bottom: 0.5rem;
		padding-bottom: 0.5rem;
		border-bottom: 1px solid var(--hair);
		color: var(--ink-2);
		font-size: 0.8125rem;
	}

	p {
		width: 100%;
	}

	button {
		min-height: 1.5rem;
		padding: 0 0.375rem;
		border: 1px solid var(--hair);
		background: var(--sheet);
		color: var(--ink);
		cursor: pointer;
	}

	button:hover {
		border-color: var(--ink);
	}

	.seen {
		max-width: 44ch;
		color: var(--ochre);
		font-size: 0.8125rem;
	}

	small {
		color: var(--ink-2);
		font: 0.8125rem/1.3 var(--text);
	}
</style>
