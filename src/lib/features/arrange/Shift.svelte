<script lang="ts">
	import { counted } from '$lib/core/text/index.ts';
	import { printRational, toNumber } from '$lib/core/interval/index.ts';
	import type { Shifting } from './shifting.svelte.ts';
	import EditCard from './EditCard.svelte';

	interface Props {
		shifting: Shifting;
		/** The pages that use any of these files. */
		pagesOf: (files: readonly string[]) => readonly string[];
	}

	let { shifting, pagesOf }: Props = $props();

	const { from, to, places, lines, meets, fixed } = $derived(shifting);
	const pages = $derived(pagesOf(lines.map(({ path }) => path)));
</script>

{#if from && to}
	<EditCard
		name={shifting.isBlock ? 'A block’s threshold moves' : 'A threshold moves'}
		{lines}
		onkeep={() => shifting.keep()}
		ondrop={() => shifting.drop()}
	>
		<p class="to">
			<b>{printRational(from)}</b> →
			<input
				value={toNumber(to)}
				inputmode="decimal"
				aria-label="Width of the threshold, px"
				oninput={(event) => shifting.put(Number(event.currentTarget.value), false)}
			/>
			px
			<span role="status">
				{shifting.isBlock ? 'this block alone: ' : ''}{counted(places, 'place')} in {counted(
					lines.length,
					'file'
				)}, on {counted(pages.length, 'page')}{meets === '' ? '' : `; now where ${meets} changes too`}
			</span>
		</p>
		{#if fixed !== ''}<p class="fixed">{fixed} is given and stays at {printRational(from)}.</p>{/if}
	</EditCard>
{/if}

<style>
	.to {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.5rem;
		align-items: center;
	}

	b,
	input {
		font: 600 0.875rem/1.3 var(--mono);
	}

	input {
		width: 5rem;
		min-height: 1.625rem;
		padding: 0 0.25rem;
		border: 1px solid var(--ink);
		background: var(--sheet);
	}

	span {
		color: var(--ink-2);
	}

	.fixed {
		color: var(--ochre);
	}
</style>
