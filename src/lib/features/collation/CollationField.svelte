<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { insist } from '$lib/session/insist.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import type { Row } from '$lib/core/collation/index.ts';
	import { addTo, numberAt } from '$lib/core/css/index.ts';
	import type { ShownColumn } from './collating.svelte.ts';
	import type { PendingValue } from './extent.ts';
	import type { Hand } from './hand.svelte.ts';

	interface Props {
		row: Row;
		column: ShownColumn;
		hand: Hand;
		held: PendingValue;
		/** Called when the edit was discarded. */
		ondone: () => void;
	}

	let { row, column, hand, held, ondone }: Props = $props();

	const { answers } = getSite();
	/** At most so many values in use are offered. */
	const MOST_USED = 12;

	/** The keywords of the property. */
	const keywords = later({
		question: () => held.property,
		about: (property) => property,
		ask: async (property) => (await insist(() => import('$lib/core/grammar/index.ts'))).keywordsOf(property)
	});
	/** The numbers and custom properties that the site uses for it, with counts. */
	const used = later({
		question: () => held.property,
		about: (property) => property,
		ask: async (property) => (await answers.usedValues(property)).slice(0, MOST_USED)
	});
	const list = $derived([
		...(used.value ?? []).map(({ value, count }) => ({ value, label: `${count} ×` })),
		...(keywords.value ?? []).map((value) => ({ value, label: '' }))
	]);

	/** Changes the number at the caret by a step. */
	function nudge(input: HTMLInputElement, step: number): boolean {
		const found = numberAt(input.value, input.selectionStart ?? 0);
		if (!found) return false;
		const { start, end } = found.span;
		const text = addTo(found.text, step);
		input.value = input.value.slice(0, start) + text + input.value.slice(end);
		input.setSelectionRange(start, start + text.length);
		hand.put({ value: input.value });
		return true;
	}

	function pressed(event: KeyboardEvent & { currentTarget: HTMLInputElement }): void {
		event.stopPropagation();
		const input = event.currentTarget;
		if (event.key === 'Enter') {
			event.preventDefault();
			void hand.keep(event.shiftKey).then(() => {
				if (!hand.held) ondone();
			});
		} else if (event.key === 'Escape') {
			event.preventDefault();
			hand.drop();
			ondone();
		} else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
			const size = event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
			if (nudge(input, event.key === 'ArrowUp' ? size : -size)) event.preventDefault();
		}
	}

	/** How far the pointer moves for one step, px. */
	const STRIDE = 4;
	let drag: { readonly x: number; done: number } | null = null;
	/** With Alt held, a drag changes the number under the pointer, as in the sheet. */
	function dragged(event: PointerEvent & { currentTarget: HTMLInputElement }): void {
		if (!drag) return;
		const due = Math.trunc((event.clientX - drag.x) / STRIDE);
		if (due !== drag.done) nudge(event.currentTarget, due - drag.done);
		drag.done = due;
	}

	const focused = (input: HTMLInputElement): void => {
		input.focus();
		input.select();
		// What is above has just grown; only the table is to move for it.
		requestAnimationFrame(() => {
			const around = input.closest('.scroll');
			if (!around) return;
			const [own, box] = [input.getBoundingClientRect(), around.getBoundingClientRect()];
			around.scrollTop += own.top - box.top - (box.height - own.height) / 2;
		});
	};
</script>

<input
	class="field"
	class:invalid={!hand.valid}
	value={held.value}
	aria-label="{row.name}, {column.letter}"
	list="collation-{row.name}"
	spellcheck="false"
	autocomplete="off"
	{@attach focused}
	oninput={(event) => hand.put({ value: event.currentTarget.value })}
	onkeydown={pressed}
	onpointerdown={(event) => {
		if (!event.altKey) return;
		drag = { x: event.clientX, done: 0 };
		event.currentTarget.setPointerCapture(event.pointerId);
	}}
	onpointermove={dragged}
	onpointerup={() => (drag = null)}
/>
<datalist id="collation-{row.name}">
	{#each list as { value, label }, i (i)}<option {value} label={label || undefined}></option>{/each}
</datalist>

<style>
	.field {
		width: 100%;
		height: 1.625rem;
		padding: 0 0.375rem;
		border: 1px solid var(--ink);
		background: var(--sheet);
		font: 0.8125rem/1.2 var(--mono);
	}

	.invalid {
		border-color: var(--rubric);
		color: var(--rubric);
	}
</style>
