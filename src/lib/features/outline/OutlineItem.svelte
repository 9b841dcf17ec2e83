<script lang="ts">
	import { nameOfElement, wordsIn } from '$lib/core/html/index.ts';
	import { UNSEEN, type Unseen } from '$lib/core/presence/index.ts';
	import type { OutlineRow } from './outlineRows.ts';

	interface Props {
		row: OutlineRow;
		/** Why it does not show; undefined where it does. */
		why: Unseen | undefined;
		isTabbable: boolean;
		isChosen: boolean;
		onactive: () => void;
		/** Selects it, alone or in addition. */
		onselect: (add: boolean) => void;
		/** Expands or collapses it. */
		onfold: () => void;
		/** Outlines it in the frames; null for nothing. */
		onoutline: (row: OutlineRow | null) => void;
	}

	let { row, why, isTabbable, isChosen, onactive, onselect, onfold, onoutline }: Props = $props();

	const words = $derived(row.element.children.length === 0 ? wordsIn(row.element, 40) : '');
</script>

<!-- svelte-ignore a11y_click_events_have_key_events -->
<li
	role="treeitem"
	data-key={row.key}
	tabindex={isTabbable ? 0 : -1}
	aria-level={row.element.path.length + 1}
	aria-setsize={row.of}
	aria-posinset={row.place}
	aria-expanded={row.open}
	aria-selected={isChosen}
	class:unseen={why}
	style:padding-left="{row.element.path.length * 14 + 6}px"
	onclick={(event) => {
		onactive();
		onselect(event.ctrlKey || event.metaKey);
	}}
	onfocus={() => {
		onactive();
		onoutline(row);
	}}
	onblur={() => onoutline(null)}
	onmouseenter={() => onoutline(row)}
	onmouseleave={() => onoutline(null)}
>
	<button
		type="button"
		tabindex="-1"
		class="fold"
		aria-hidden="true"
		disabled={row.open === undefined}
		onclick={(event) => {
			event.stopPropagation();
			onfold();
		}}>{row.open === undefined ? '' : row.open ? '▾' : '▸'}</button
	>
	<code>{nameOfElement(row.element)}</code>
	<span class="words">{words}</span>
	{#if why}<span class="why">{UNSEEN[why]}</span>{/if}
</li>

<style>
	li {
		display: flex;
		gap: 0.375rem;
		align-items: center;
		min-height: 1.5rem;
		padding-right: 0.375rem;
		white-space: nowrap;
		cursor: pointer;
	}

	li:hover {
		background: var(--tint);
	}

	li[aria-selected='true'] {
		background: var(--pick);
		box-shadow: inset 3px 0 var(--blue);
	}

	li:focus-visible {
		outline-offset: -2px;
	}

	.fold {
		flex: none;
		width: 1.125rem;
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		color: var(--ink-2);
		cursor: pointer;
	}

	code {
		flex: none;
		max-width: 70%;
		overflow: hidden;
		font: 0.8125rem/1.4 var(--mono);
		text-overflow: ellipsis;
	}

	.unseen code {
		color: var(--pale);
		font-style: italic;
	}

	.words {
		overflow: hidden;
		color: var(--ink-2);
		font-size: 0.8125rem;
		text-overflow: ellipsis;
	}

	.why {
		flex: none;
		margin-left: auto;
		color: var(--ochre);
		font-size: 0.8125rem;
	}
</style>
