<script lang="ts">
	import { boxParts, figure as px, type ElementBox, type Part, type Sides } from '$lib/core/box/index.ts';
	import { elementAt, nameOfElement, wordsIn, type ElementPath } from '$lib/core/html/index.ts';
	import { printIntervalSet } from '$lib/core/interval/index.ts';
	import { UNSEEN } from '$lib/core/presence/index.ts';
	import type { Instead } from '$lib/inquiry/instead.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import { selectionView } from '$lib/session/selection.svelte.ts';
	import { viewing } from '$lib/session/viewing.svelte.ts';
	import type { Table } from '$lib/features/collation/hand.svelte.ts';
	import { takeSide, writtenLength } from './pulling.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import type { Trace } from '$lib/inquiry/trace.ts';
	import type { Hits } from '$lib/session/reach.ts';
	import Into from '$lib/features/collation/Into.svelte';
	import Shares from '$lib/features/trace/Shares.svelte';
	import type { SpaceFound } from '$lib/stage/protocol.ts';
	import Spaces from './Spaces.svelte';
	import SumBar from './SumBar.svelte';
	import { later } from '$lib/session/later.svelte.ts';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		page: PageState;
		path: ElementPath;
		/** Names of frames by their ids. */
		named: ReadonlyMap<string, string>;
		onselect: (paths: readonly ElementPath[]) => void;
		/** What says the same as an element and shows where it does not. */
		instead: (path: ElementPath) => Promise<readonly Instead[]>;
		/** The space at each side of an element in the lead. */
		spaces: (path: ElementPath) => Promise<readonly SpaceFound[]>;
		trace: (path: ElementPath) => Promise<Trace | null>;
		/** The lead's width, CSS px. */
		width: number;
		/** What values are written with, once it has come; and a wish for it. */
		table: Table | null;
		oncollate: () => Promise<Table>;
		reach: (selectors: readonly string[]) => Promise<Hits>;
		onplace: (place: FilePlace) => void;
	}

	let {
		page,
		path,
		named,
		onselect,
		instead,
		spaces,
		trace,
		width,
		table,
		oncollate,
		reach,
		onplace
	}: Props = $props();

	const element = $derived(elementAt(page.page, path));
	const parent = $derived(element?.parent);
	const rows = $derived(
		selectionView.boxes.flatMap(({ frame, boxes, unseen }) => {
			const name = named.get(frame);
			return name === undefined
				? []
				: [{ frame, name, box: boxes[0] ?? null, why: unseen[0] ? UNSEEN[unseen[0]] : '' }];
		})
	);
	const lead = $derived(rows.find(({ frame }) => frame === 'lead')?.box);

	const asked = later({
		question: () => ({ path, of: page.conditions }),
		about: (question) => question.path.join(),
		ask: (question) => instead(question.path)
	});
	const others = $derived(asked.value ?? []);

	/** Four sides as short as they can be written. */
	function sides({ top, right, bottom, left }: Sides): string {
		const all = [top, right, bottom, left].map(px);
		if (all[3] !== all[1]) return all.join(' ');
		if (all[2] !== all[0]) return all.slice(0, 3).join(' ');
		return all[1] === all[0] ? (all[0] ?? '0') : all.slice(0, 2).join(' ');
	}

	/** What is pulled: how long it was, or how it is written for a size, and how that is put once the value is in the hand. */
	let pulled: { was: (by: number) => number; by: number; put: (length: string) => void } | null = null;

	function put(): void {
		pulled?.put(`${Math.round(pulled.was(pulled.by))}px`);
	}

	/** Tries another length for a part of the box: in the frames at once, written on Enter. */
	function pull(part: Part, by: number, begins: boolean): void {
		const box = lead;
		if (begins && box) {
			const { property } = part;
			const margin = part.of === 'margin';
			const now: NonNullable<typeof pulled> = {
				was: (more: number) => (margin ? part.length + more : Math.max(0, part.length + more)),
				by,
				put: (): void => undefined
			};
			pulled = now;
			void take(property).then(([put, sizing]) => {
				if (property === 'width' || property === 'height')
					now.was = (more) => writtenLength(box, property, more, sizing);
				now.put = put;
				put(`${Math.round(now.was(now.by))}px`);
			});
		} else if (pulled) {
			pulled.by = by;
			put();
		}
	}

	/** Takes a property into the hand; gives how a length is put for it, and the element's `box-sizing`. */
	async function take(property: string): Promise<[(length: string) => void, string]> {
		const asked = trace(path);
		const { collating, hand } = await oncollate();
		const put = await takeSide(collating, hand, property);
		return [put, (await asked)?.computed('box-sizing') ?? ''];
	}

	function pressed(event: KeyboardEvent): void {
		event.stopPropagation();
		if (event.key === 'Enter') table?.hand.keep();
		else if (event.key === 'Escape') table?.hand.drop();
		else return;
		event.preventDefault();
	}

	const COLUMNS: readonly (readonly [string, (box: ElementBox) => string])[] = [
		['size', ({ width, height }) => `${px(width)} × ${px(height)}`],
		['margin', ({ margin }) => sides(margin)],
		['border', ({ border }) => sides(border)],
		['padding', ({ padding }) => sides(padding)]
	];
</script>

<Trouble sentence={asked.error} />
{#if element}
	<div class="name">
		<p role="status">
			<b>{nameOfElement(element)}</b>
			<span>{wordsIn(element, 60)}</span>
		</p>
		{#if parent}
			<button
				type="button"
				onclick={() => onselect([parent.path])}
				title="A second click on it does the same"
			>
				↑ {nameOfElement(parent)}
			</button>
		{/if}
	</div>
	{#each others as { path: other, widths } (other.join('.'))}
		{@const one = elementAt(page.page, other)}
		{#if one}
			<p class="instead">
				<button type="button" onclick={() => onselect([other])}>{nameOfElement(one)}</button>
				says the same, and is shown instead of this {printIntervalSet(widths)}
			</p>
		{/if}
	{/each}
	{#if lead}
		{@const onpull = viewing.wide ? undefined : pull}
		<SumBar {...boxParts(lead, 'width')} name="width" room={lead.room} {onpull} />
		<SumBar {...boxParts(lead, 'height')} name="height" room={null} {onpull} />
	{/if}
	<!-- At the whole width a value is in the hand there. -->
	{#if table?.hand.held && !viewing.wide}
		{@const { collating, hand } = table}
		{@const held = table.hand.held}
		<div class="hand">
			<label>
				{held.property}
				<input
					class="field"
					value={held.value}
					spellcheck="false"
					oninput={(event) => hand.put({ value: event.currentTarget.value })}
					onkeydown={pressed}
					{@attach (field) => field.focus()}
				/>
			</label>
			<span><kbd>Enter</kbd> writes it, <kbd>Esc</kbd> lets it go</span>
			<Into {page} {collating} {hand} {held} {reach} {onplace} />
		</div>
	{/if}
	<table>
		<thead>
			<tr>
				<th scope="col">px in</th>
				{#each COLUMNS as [name] (name)}<th scope="col">{name}</th>{/each}
			</tr>
		</thead>
		<tbody>
			{#each rows as { frame, name, box, why } (frame)}
				<tr>
					<th scope="row"
						>{name}{#if box && why}<span class="why">{why}</span>{/if}</th
					>
					{#if box}
						{#each COLUMNS as [column, figure] (column)}<td>{figure(box)}</td>{/each}
					{:else}
						<td colspan={COLUMNS.length} class="none">{why || 'no box here'}</td>
					{/if}
				</tr>
			{/each}
		</tbody>
	</table>
	<Shares {page} {path} {width} {trace} />
	<Spaces {page} {path} {spaces} {onselect} />
	<p class="hint">
		<kbd>D</kbd> held shows the distances to what is around it; Ctrl-click chooses a second one.
	</p>
{:else}
	<p class="hint">The page has no such element any more.</p>
{/if}

<style>
	.name {
		display: flex;
		gap: 0.75rem;
		justify-content: space-between;
	}

	.name p {
		min-width: 0;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	b {
		font: 600 0.8125rem/1.4 var(--mono);
	}

	span,
	.hint,
	.none {
		color: var(--ink-2);
	}

	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 0.8125rem;
	}

	th,
	td {
		height: 1.625rem;
		padding-right: 0.75rem;
		border-bottom: 1px solid var(--hair);
		text-align: left;
		font-weight: 400;
		white-space: nowrap;
	}

	thead th {
		color: var(--ink-2);
	}

	td {
		font-family: var(--mono);
	}

	.hand {
		margin: 0.5rem 0;
		padding: 0.375rem 0.5rem;
		border: 1px solid var(--ink);
		font-size: 0.8125rem;
	}

	.hand label {
		font-family: var(--mono);
	}

	.field {
		width: 8rem;
		min-height: 1.625rem;
		padding: 0 0.25rem;
		border: 1px solid var(--ink);
		background: var(--sheet);
		font: inherit;
	}

	.none {
		font-family: inherit;
	}

	.why {
		display: block;
		color: var(--ochre);
	}

	button {
		flex: none;
		max-width: 40%;
		min-height: 1.5rem;
		padding: 0;
		overflow: hidden;
		border: 0;
		background: none;
		color: var(--blue);
		font: 0.8125rem/1.2 var(--mono);
		text-overflow: ellipsis;
		white-space: nowrap;
		cursor: pointer;
	}

	button:hover {
		text-decoration: underline;
	}

	kbd {
		font: 0.8125rem/1.2 var(--mono);
	}
</style>
