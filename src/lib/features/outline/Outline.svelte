<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { untrack } from 'svelte';
	import {
		elementAt,
		nameOfElement,
		selectorOfPath,
		type ElementPath,
		type PageElement
	} from '$lib/core/html/index.ts';
	import type { Unseen } from '$lib/core/presence/index.ts';
	import type { SeenVantage } from '$lib/core/vantage/index.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import { picked } from '$lib/session/selection.svelte.ts';
	import OutlineItem from './OutlineItem.svelte';
	import { keyOf, outlineRows, type OutlineRow } from './outlineRows.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		page: PageState;
		selected: readonly ElementPath[];
		onselect: (paths: readonly ElementPath[]) => void;
		/** What on the lead's page does not show, and why. */
		unseen: () => Promise<ReadonlyMap<string, Unseen>>;
		lead: SeenVantage;
		/** Writes a new rule for an element. */
		onrule: (path: ElementPath) => void;
	}

	let { page, selected, onselect, unseen, lead, onrule }: Props = $props();
	const { selectionView } = getSite();

	/** The largest number of rows. */
	const MOST = 1500;

	/** The pause in changes before visibility is determined, ms. */
	const REST = 250;

	let words = $state('');
	const unseenNow = later<unknown, ReadonlyMap<string, Unseen>>({
		question: () => [page.conditions, lead],
		about: () => page.path,
		// What the frames have to show comes first.
		rest: REST,
		ask: () => unseen()
	});
	const hidden = $derived(unseenNow.value ?? new Map<string, Unseen>());

	let opened = $state.raw<ReadonlySet<string>>(new Set());
	let active = $state('');
	/** The ancestors of the selection are expanded, so that it is in sight. */
	$effect.pre(() => {
		const [path] = selected;
		if (!path) return;
		active = keyOf({ path });
		const around = path.map((_, i) => keyOf({ path: path.slice(0, i) }));
		untrack(() => (opened = new Set([...opened, ...around])));
	});

	const body = $derived(page.page.root.children.find(({ tag }) => tag === 'body') ?? page.page.root);
	const isOpen = (element: PageElement): boolean =>
		element === page.page.root || element === body || opened.has(keyOf(element));

	const searched = $derived(words.trim() !== '');
	const rows = $derived(outlineRows(page.page, words, isOpen, MOST));
	const chosen = $derived(new Set(selected.map((path) => keyOf({ path }))));
	const tabbable = $derived(rows.some(({ key }) => key === active) ? active : rows[0]?.key);

	let tree = $state<HTMLElement>();
	function focus(row: OutlineRow | undefined): void {
		if (!row) return;
		active = row.key;
		tree?.querySelector<HTMLElement>(`[data-key="${row.key}"]`)?.focus();
	}
	function setOpen({ key }: OutlineRow, to: boolean): void {
		const next = new Set(opened);
		if (to) next.add(key);
		else next.delete(key);
		opened = next;
	}
	function select({ element: { path } }: OutlineRow, add: boolean): void {
		onselect(picked(selected, null, { path, shift: false, add, again: false }));
		selectionView.reveal = [...path];
	}

	/** Keys of the tree pattern, for all its items (WAI-ARIA Authoring Practices, Tree View). */
	function onkeydown(event: KeyboardEvent): void {
		const at = rows.findIndex(({ key }) => key === active);
		const row = rows[at];
		if (!row || event.altKey) return;
		const parent = row.element.parent;
		const act: Readonly<Record<string, () => void>> = {
			ArrowDown: () => focus(rows[at + 1]),
			ArrowUp: () => focus(rows[at - 1]),
			Home: () => focus(rows[0]),
			End: () => focus(rows.at(-1)),
			ArrowRight: () => (row.open === false ? setOpen(row, true) : row.open && focus(rows[at + 1])),
			ArrowLeft: () =>
				row.open && !searched && row.element !== body
					? setOpen(row, false)
					: focus(rows.find(({ element }) => element === parent)),
			Enter: () => select(row, event.ctrlKey || event.metaKey),
			' ': () => select(row, event.ctrlKey || event.metaKey)
		};
		const perform = act[event.key];
		if (!perform) return;
		event.preventDefault();
		event.stopPropagation();
		perform();
	}

	const outline = (row: OutlineRow | null): void =>
		page.answers.outline(row ? selectorOfPath(row.element.path) : '');
	const whole = $derived(elementAt(page.page, selected[0] ?? []) ?? body);
</script>

<Trouble sentence={unseenNow.error} />
<div class="head">
	<label>
		Find
		<input type="search" bind:value={words} spellcheck="false" autocomplete="off" />
	</label>
	{#if selected[0]}
		{@const [path] = selected}
		<Button look="quiet" onclick={() => onrule(path)}>New rule here</Button>
	{/if}
	<span role="status"
		>{searched
			? `${rows.length} with their ancestors`
			: `${page.page.elements.length} elements, ${hidden.size} do not show at ${lead.width} px`}</span
	>
</div>
<ul
	bind:this={tree}
	role="tree"
	aria-label="Elements of the page, around {nameOfElement(whole)}"
	aria-multiselectable="true"
	{onkeydown}
>
	{#each rows as row (row.key)}
		<OutlineItem
			{row}
			why={hidden.get(row.key)}
			isTabbable={row.key === tabbable}
			isChosen={chosen.has(row.key)}
			onactive={() => (active = row.key)}
			onselect={(add) => select(row, add)}
			onfold={() => setOpen(row, !row.open)}
			onoutline={outline}
		/>
	{/each}
</ul>
{#if rows.length >= MOST}<p>The first {MOST} are shown; a word finds the others.</p>{/if}

<style>
	.head {
		display: flex;
		white-space: nowrap;
		gap: 0.875rem;
		align-items: baseline;
		justify-content: space-between;
	}

	.head span,
	label {
		color: var(--ink-2);
		font-size: 0.8125rem;
	}

	input {
		width: 8.125rem;
		min-height: 1.625rem;
		margin-left: 0.375rem;
		padding: 0 0.375rem;
		border: 1px solid var(--hair);
		background: var(--sheet);
		font: 0.8125rem/1.2 var(--mono);
	}

	ul {
		margin-top: 0.375rem;
	}
</style>
