<script lang="ts">
	import { printRational } from '$lib/core/interval/index.ts';
	import type { Threshold } from '$lib/core/media/index.ts';
	import PlaceList from './PlaceList.svelte';
	import type { Places } from './places.ts';

	interface Props extends Places {
		thresholds: readonly Threshold[];
		/** To which side the card hangs, where there is no room for it in the middle. */
		shift: 'none' | 'left' | 'right';
		/** One of them is to stand at another width, CSS px. */
		onto?: ((threshold: Threshold, px: number) => void) | undefined;
	}

	let { thresholds, placeOf, onplace, shift, onto }: Props = $props();

	/** Takes what was typed into a field for a threshold. */
	function go(event: SubmitEvent & { currentTarget: HTMLFormElement }, threshold: Threshold): void {
		event.preventDefault();
		const typed = String(new FormData(event.currentTarget).get('to') ?? '')
			.replace(/px$/i, '')
			.trim();
		const px = Number(typed);
		if (typed !== '' && Number.isFinite(px) && px > 0) onto?.(threshold, px);
	}
</script>

<div class="card {shift}">
	{#each thresholds as threshold (`${printRational(threshold.cut.at)}${threshold.cut.after}`)}
		{@const { cut, causes } = threshold}
		<h2>
			{printRational(cut.at)}
			<small>{cut.after ? 'the width itself is still below' : 'the width itself is already above'}</small>
		</h2>
		<PlaceList stated={causes} {placeOf} {onplace} />
		{#if onto}
			<form onsubmit={(event) => go(event, threshold)}>
				<label>
					everywhere to
					<input
						name="to"
						inputmode="decimal"
						autocomplete="off"
						aria-label="Width to which {printRational(cut.at)} goes everywhere, px"
					/> px
				</label>
			</form>
		{/if}
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

	form {
		color: var(--ink-2);
		font-size: 0.8125rem;
	}

	input {
		width: 4.5rem;
		min-height: 1.5rem;
		padding: 0 0.25rem;
		border: 1px solid var(--hair);
		background: var(--sheet);
		font: 0.8125rem/1.2 var(--mono);
	}

	small {
		color: var(--ink-2);
		font: 0.8125rem/1.3 var(--text);
	}
</style>
