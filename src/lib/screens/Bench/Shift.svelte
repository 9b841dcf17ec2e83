<script lang="ts">
	import { printRational, toNumber } from '$lib/core/interval/index.ts';
	import type { Shifting } from '$lib/state/shifting.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import ChangedLines from './ChangedLines.svelte';

	interface Props {
		shifting: Shifting;
		/** The pages that have any of these files. */
		pagesOf: (files: readonly string[]) => readonly string[];
	}

	let { shifting, pagesOf }: Props = $props();

	const { from, to, places, lines, meets, fixed } = $derived(shifting);
	const pages = $derived(pagesOf(lines.map(({ path }) => path)));

	let field = $state<HTMLInputElement>();
	$effect(() => field?.focus());

	function pressed(event: KeyboardEvent): void {
		event.stopPropagation();
		if (event.key === 'Enter') shifting.keep();
		else if (event.key === 'Escape') shifting.drop();
		else return;
		event.preventDefault();
	}
</script>

{#if from && to}
	<div class="shift" role="dialog" aria-label="A threshold moves" tabindex="-1" onkeydown={pressed}>
		<p>
			<b>{printRational(from)}</b> →
			<input
				bind:this={field}
				value={toNumber(to)}
				inputmode="decimal"
				aria-label="Width of the threshold, px"
				oninput={(event) => shifting.put(Number(event.currentTarget.value), false)}
			/>
			px
			<span role="status">
				{places === 1 ? '1 place' : `${places} places`} in {lines.length === 1
					? '1 file'
					: `${lines.length} files`}, on {pages.length === 1 ? '1 page' : `${pages.length} pages`}{meets ===
				''
					? ''
					: `; now where ${meets} changes too`}
			</span>
		</p>
		{#if fixed !== ''}<p class="fixed">{fixed} is given and stays at {printRational(from)}.</p>{/if}
		<div class="lines"><ChangedLines files={lines} /></div>
		<p class="acts">
			<Button look="primary" onclick={() => shifting.keep()} disabled={places === 0}>Write it</Button>
			<Button onclick={() => shifting.drop()}>Let it go</Button>
			<span><kbd>Enter</kbd>, <kbd>Esc</kbd></span>
		</p>
	</div>
{/if}

<style>
	.shift {
		position: absolute;
		top: 100%;
		right: 1.25rem;
		z-index: 6;
		width: min(30rem, 90vw);
		padding: 0.625rem 0.75rem;
		border: 1px solid var(--ink);
		background: var(--sheet);
		box-shadow: 0 6px 18px rgb(0 0 0 / 0.18);
		font-size: 0.8125rem;
	}

	p:first-child {
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

	.lines {
		max-height: 13rem;
		margin: 0.375rem 0;
		overflow: auto;
	}

	.acts {
		display: flex;
		gap: 0.5rem;
		align-items: center;
	}

	kbd {
		font: 0.8125rem/1.4 var(--mono);
	}
</style>
