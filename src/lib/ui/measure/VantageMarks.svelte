<script lang="ts">
	import { fitWords } from './ticks.ts';

	interface Props {
		vantages: readonly { name: string; width: number }[];
		/** The position of a width, px. */
		x: (width: number) => number;
		onwidth: (width: number) => void;
	}

	let { vantages, x, onwidth }: Props = $props();
	const marks = $derived(
		fitWords(vantages.map((one) => ({ name: one.name, figure: String(one.width), at: x(one.width) })))
	);
</script>

{#each marks as { mark, words } (mark.name)}
	<button
		type="button"
		class="vantage"
		style:left="{mark.at}px"
		title="{mark.name}, {mark.figure} px"
		aria-label="{mark.name} {mark.figure}"
		onclick={() => onwidth(Number(mark.figure))}
	>
		{#if words !== 'none'}{mark.name}{/if}
		{#if words === 'whole'}<span>{mark.figure}</span>{/if}
	</button>
{/each}

<style>
	.vantage {
		position: absolute;
		top: 0;
		min-width: 1.5rem;
		height: 1.5rem;
		padding: 0 0.25rem;
		translate: -50% 0;
		border: 0;
		background: none;
		color: var(--blue);
		font-size: 0.8125rem;
		white-space: nowrap;
		cursor: pointer;
	}

	.vantage::before {
		content: '';
		position: absolute;
		top: -0.3125rem;
		left: 50%;
		translate: -50% 0;
		border: 5px solid transparent;
		border-top: 0;
		border-bottom-color: var(--blue);
	}

	.vantage:hover {
		text-decoration: underline;
	}

	.vantage span {
		font-family: var(--mono);
	}
</style>
