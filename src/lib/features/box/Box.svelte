<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { boxParts, type Part } from '$lib/core/box/index.ts';
	import { elementAt, nameOfElement, wordsIn, type ElementPath } from '$lib/core/html/index.ts';
	import { printIntervalSet } from '$lib/core/interval/index.ts';
	import { UNSEEN } from '$lib/core/presence/index.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { Table } from '$lib/features/collation/hand.svelte.ts';
	import { takeSide, writtenLength } from './pulling.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import type { BoxQuestions } from './questions.ts';
	import Shares from '$lib/features/trace/Shares.svelte';
	import BoxTable from './BoxTable.svelte';
	import HeldLength from './HeldLength.svelte';
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
		/** The questions about it. */
		questions: BoxQuestions;
		/** The lead's width, CSS px. */
		width: number;
		/** The hand that writes values, once it has loaded; and a request for it. */
		table: Table | null;
		oncollate: () => Promise<Table>;
		onplace: (place: FilePlace) => void;
	}

	let { page, path, named, onselect, questions, width, table, oncollate, onplace }: Props = $props();
	const { selectionView, viewing } = getSite();

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
		ask: (question) => questions.instead(question.path)
	});
	const others = $derived(asked.value ?? []);

	/**
	 * The part being pulled: its former length, or how a size is written, and how that is written while it is being
	 * tried.
	 */
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

	/** Starts editing a property; returns how a length is written for it, and the element's `box-sizing`. */
	async function take(property: string): Promise<[(length: string) => void, string]> {
		const asked = questions.trace(path);
		const { collating, hand } = await oncollate();
		const put = await takeSide(collating, hand, property);
		return [put, (await asked)?.computed('box-sizing') ?? ''];
	}
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
				has the same content and is shown instead {printIntervalSet(widths)}
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
		<HeldLength {page} {table} held={table.hand.held} {onplace} />
	{/if}
	<BoxTable {rows} />
	<Shares {page} {path} {width} trace={questions.trace} />
	<Spaces {page} {path} spaces={questions.spaces} {onselect} />
	<p class="hint">
		<kbd>D</kbd> held shows the distances to what surrounds it; Ctrl-click selects a second element.
	</p>
{:else}
	<p class="hint">This element is no longer on the page.</p>
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
	.hint {
		color: var(--ink-2);
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
