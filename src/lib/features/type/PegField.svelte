<script lang="ts">
	import { printSize, type Peg } from './drawing.ts';
	import { getSite } from '$lib/session/context.ts';
	import { judging } from './judging.ts';

	interface Props {
		peg: Peg & { readonly top: number };
		/** The position of its end, px of the chart; whether its field is on the left of that. */
		at: number;
		left: boolean;
		root: number;
		colour: string;
		/** Sets a size; null restores the scale's. */
		onsize: (id: string, size: number | null, fit?: boolean) => void;
		onchoose: () => void;
	}

	let { peg, at, left, root, colour, onsize, onchoose }: Props = $props();
	const site = getSite();

	function pressed(event: KeyboardEvent & { currentTarget: HTMLInputElement }): void {
		if (judging(site, event)) return;
		const by = { ArrowUp: 1, ArrowDown: -1 }[event.key];
		if (by !== undefined) {
			event.preventDefault();
			const step = event.shiftKey ? 1 : event.altKey ? 0.01 : 0.1;
			onsize(peg.id, Number((peg.size + by * step).toFixed(3)));
		}
		if (event.key === 'Enter') put(event.currentTarget.value, event.shiftKey);
	}

	function put(text: string, fit = false): void {
		// The displayed value is rounded.
		if (text.trim() === printSize(peg.size) && !fit) return;
		const [, number, unit] = /^\s*([\d.]+)\s*(px|rem)?\s*$/.exec(text) ?? [];
		if (number !== undefined && Number.isFinite(Number(number)))
			onsize(peg.id, Number(number) * (unit === 'rem' ? root : 1), fit);
	}
</script>

<div
	class="peg"
	class:left
	role="presentation"
	style:top="{peg.top}px"
	style:left="{at}px"
	onpointerdown={(event) => event.stopPropagation()}
>
	<input
		value={printSize(peg.size)}
		aria-label="{peg.name}, {peg.end} end, px"
		title="↑ ↓ by 0.1 px, with Shift 1, with Alt 0.01; Alt ← → moves the carriage, Page Up and Down go to the next vantage; Shift Enter fits the ratio through it"
		onfocus={onchoose}
		onkeydown={pressed}
		onchange={(event) => put(event.currentTarget.value)}
	/>
	<span class="rem">{(peg.size / root).toFixed(3)}rem</span>
	{#if peg.scaled !== null}
		<button
			type="button"
			title="Back to what the scale has: {printSize(peg.scaled)} px"
			aria-label="{peg.name}, {peg.end} end: back to the scale’s {printSize(peg.scaled)} px"
			onclick={() => onsize(peg.id, null)}>≠ {printSize(peg.scaled)}</button
		>
	{/if}
	{#if peg.end === 'wide'}<b style:color={colour}>{peg.name}</b>{/if}
</div>

<style>
	.peg {
		position: absolute;
		display: flex;
		align-items: center;
		gap: 0.375rem;
		translate: 1.375rem -50%;
		white-space: nowrap;
	}

	.peg.left {
		flex-direction: row-reverse;
		translate: calc(-100% - 1.375rem) -50%;
	}

	input {
		width: 3.75rem;
		height: 1.5rem;
		padding: 0 0.25rem;
		border: 1px solid var(--hair);
		background: var(--sheet);
		font: 700 0.8125rem/1 var(--mono);
		text-align: right;
	}

	.rem {
		padding: 0 0.125rem;
		background: var(--paper);
		color: var(--ink-2);
		font: 0.8125rem/1.2 var(--mono);
	}

	b {
		padding: 0 0.25rem;
		background: var(--paper);
	}

	button {
		min-height: 1.5rem;
		padding: 0 0.25rem;
		border: 0;
		background: var(--paper);
		color: var(--ochre);
		font: 0.8125rem/1 var(--mono);
		cursor: pointer;
	}

	button:hover {
		text-decoration: underline;
	}
</style>
