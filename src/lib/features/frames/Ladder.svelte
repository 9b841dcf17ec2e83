<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import {
		elementAt,
		headingIn,
		isWithin,
		nameOfElement,
		selectorOfPath,
		type ElementPath,
		type PageElement
	} from '$lib/core/html/index.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { Laid } from './layout.ts';

	interface Props {
		page: PageState;
		/** The selected element. */
		path: ElementPath;
		/** The lead, in whose margin it is. */
		lead: Laid;
		onselect: (paths: readonly ElementPath[]) => void;
	}

	let { page, path, lead, onselect }: Props = $props();
	const { selectionView } = getSite();

	/** Px of the margin: for a bar, for one with its words, and for all. */
	const [BAR, WORDED, SELF, ROOM] = [8, 24, 10, 58];

	const edges = $derived(selectionView.boxes.find(({ frame }) => frame === 'lead')?.ladder ?? []);
	/** The ancestors from the body, or from another child of the root, down. */
	const around = $derived(path.length > 1 ? path.slice(1).map((_, i) => path.slice(0, i + 1)) : []);
	const worded = $derived(
		around.length * BAR + 2 * (WORDED - BAR) + SELF <= ROOM
			? 2
			: around.length * BAR + WORDED - BAR + SELF <= ROOM
				? 1
				: 0
	);
	const pitch = $derived(worded > 0 ? BAR : Math.min(BAR, (ROOM - SELF) / Math.max(1, around.length)));

	/**
	 * The position of an element in the lead as drawn, px from its top; a stub at its edge where that is out of sight.
	 */
	function stretch(up: number): { top: number; height: number } | undefined {
		const found = edges[up];
		if (!found) return undefined;
		const from = lead.part?.top ?? 0;
		const [top, bottom] = found.map((at) =>
			Math.min(Math.max(0, (at - from) * lead.scale), lead.drawnHeight)
		);
		if (top === undefined || bottom === undefined) return undefined;
		const height = Math.max(4, bottom - top);
		return { top: Math.min(top, lead.drawnHeight - height), height };
	}

	const wordsOf = (element: PageElement): string =>
		(element.tag === 'body' ? '' : headingIn(element)) || nameOfElement(element);
	const bars = $derived.by(() => {
		let left = ROOM - SELF - around.length * pitch - worded * (WORDED - BAR);
		return around.map((at, i) => {
			const hasWords = i >= around.length - worded;
			const element = elementAt(page.page, at);
			const bar = {
				at,
				left,
				width: hasWords ? WORDED : pitch,
				...(stretch(path.length - at.length) ?? { top: 0, height: 4 }),
				name: element ? nameOfElement(element) : '',
				words: hasWords && element ? wordsOf(element) : ''
			};
			left += bar.width;
			return bar;
		});
	});
	const self = $derived(stretch(0) ?? { top: 0, height: 4 });
	const element = $derived(elementAt(page.page, path));

	/** The deepest place from which it was left upwards: Down returns the same way. */
	let trail: ElementPath = [];
	function go(to: ElementPath | undefined): void {
		if (!to || to.length === 0 || !elementAt(page.page, to)) return;
		if (!isWithin(trail, to)) trail = to;
		onselect([to]);
	}
	function beside(by: number): ElementPath {
		return [...path.slice(0, -1), (path.at(-1) ?? 0) + by];
	}
	const WAYS: Readonly<Record<string, () => ElementPath | undefined>> = {
		ArrowUp: () => path.slice(0, -1),
		ArrowDown: () => {
			const back = trail.length > path.length && isWithin(trail, path);
			return back ? trail.slice(0, path.length + 1) : [...path, 0];
		},
		ArrowLeft: () => beside(-1),
		ArrowRight: () => beside(1)
	};
	function onkeydown(event: KeyboardEvent): void {
		const way = WAYS[event.key];
		if (!way || event.ctrlKey || event.metaKey || event.altKey) return;
		event.preventDefault();
		if (!isWithin(trail, path)) trail = path;
		go(way());
	}

	let own: HTMLButtonElement;
	export const focus = (): void => own.focus();
	/** The selection is drawn in every frame; what is under the pointer is outlined there. */
	const outline = (at: ElementPath | null): void => page.answers.outline(at ? selectorOfPath(at) : '');
</script>

<div
	class="ladder"
	role="toolbar"
	aria-label="Ladder: the ancestors of {element ? nameOfElement(element) : 'the selection'}"
	aria-orientation="vertical"
	style:left="{lead.left - 12 - ROOM}px"
	style:top="{lead.top}px"
	style:width="{ROOM}px"
	style:height="{lead.drawnHeight}px"
	tabindex="-1"
	{onkeydown}
>
	{#each bars as { at, left, width, top, height, name, words } (at.join('.'))}
		<button
			type="button"
			tabindex="-1"
			style:left="{left}px"
			style:width="{width}px"
			style:top="{top}px"
			style:height="{height}px"
			title="{name}, an ancestor of the selection"
			aria-label={words === '' ? name : `${words}, ${name}`}
			onclick={() => {
				trail = path;
				go(at);
				own.focus();
			}}
			onmouseenter={() => outline(at)}
			onmouseleave={() => outline(null)}
		>
			<i></i>{#if words && height >= 40}<span>{words}</span>{/if}
		</button>
	{/each}
	<button
		bind:this={own}
		type="button"
		class="self"
		style:left="{ROOM - SELF}px"
		style:width="{SELF}px"
		style:top="{self.top}px"
		style:height="{self.height}px"
		title="The selection: ↑ its parent, ↓ its first child, ← → its siblings"
		aria-label="{element
			? nameOfElement(element)
			: 'The selection'}: arrow keys go to its parent, children and siblings"
	>
		<i></i>
	</button>
</div>

<style>
	.ladder {
		position: absolute;
	}

	button {
		position: absolute;
		display: flex;
		padding: 0;
		overflow: hidden;
		border: 0;
		background: none;
		cursor: pointer;
	}

	i {
		flex: none;
		width: 0.25rem;
		height: 100%;
		background: #bfb29b;
	}

	.self i {
		width: 0.375rem;
		background: var(--blue);
	}

	button:hover i {
		background: var(--ink);
	}

	span {
		overflow: hidden;
		color: var(--ink-2);
		font-size: 0.8125rem;
		line-height: 1.125rem;
		text-overflow: ellipsis;
		white-space: nowrap;
		writing-mode: vertical-rl;
	}
</style>
