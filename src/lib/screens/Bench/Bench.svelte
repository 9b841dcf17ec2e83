<script lang="ts">
	import { insist } from '$lib/session/insist.ts';
	import { asStorage, store } from '$lib/session/store.ts';
	import { Pane, PaneGroup, PaneResizer } from 'paneforge';
	import { tick, untrack } from 'svelte';
	import type { ElementPath } from '$lib/core/html/index.ts';
	import { nameAt } from '$lib/core/html/index.ts';
	import { seenVantage } from '$lib/core/vantage/index.ts';
	import { carriage } from '$lib/session/carriage.svelte.ts';
	import type { Workbench } from '$lib/session/workbench.ts';
	import type { Stages } from '$lib/session/stages.svelte.ts';
	import type { Lie } from '$lib/core/original/index.ts';
	import type { Chosen } from '$lib/writing/within.ts';
	import type { Edits } from '$lib/features/arrange/edits.svelte.ts';
	import type { Interval } from '$lib/core/interval/index.ts';
	import { viewing } from '$lib/session/viewing.svelte.ts';
	import Guarded from '$lib/ui/Guarded.svelte';
	import Measure from '$lib/ui/measure/Measure.svelte';
	import type { Place } from '$lib/ui/measure/places.ts';
	import type { CaretRule } from '$lib/editor/caretRule.ts';
	import type { Trace } from '$lib/inquiry/trace.ts';
	import { reachOf, type Hits } from '$lib/session/reach.ts';
	import type { Rational } from '$lib/core/interval/index.ts';
	import { NO_ANSWERS } from '$lib/session/answers.ts';
	import { answersOf, pagesOf, rulesOf } from './answers.ts';
	import Below, { type Tab } from './Below.svelte';
	import FramesTable from '$lib/features/frames/FramesTable.svelte';
	import { lookingKeys } from '$lib/features/frames/lookingKeys.ts';
	import { Framing, LEAST_COLUMN, marked, NAMES } from '$lib/features/frames/framing.svelte.ts';
	import { placeName } from '$lib/features/frames/placeName.ts';
	import SheetPanel from './SheetPanel.svelte';
	import { Watching } from './watching.svelte.ts';
	import { Writing } from './writing.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';

	let { workbench }: { workbench: Workbench } = $props();
	const { site, page, file, place, selected } = $derived(workbench);
	const { choose, show, select, bindKeys } = untrack(() => workbench);

	const framing = untrack(() => new Framing(site));
	const lead = $derived(framing.lead);
	const bands = $derived(page.bands(lead));
	const leadName = $derived(viewing.lead ?? 'Carriage');
	let sheet = $state<SheetPanel>();
	let rule = $state.raw<CaretRule | undefined>();
	let shown = $state('');
	let tab = $state<Tab>('box');

	const writing = untrack(() => new Writing(site));
	const { table, edits } = $derived(writing);
	/** What is selected while a value of it is wished to the hand from elsewhere. */
	let handed = $state.raw<readonly ElementPath[] | null>(null);
	const isCollating = $derived(
		tab === 'collation' || viewing.wide || (tab === 'box' && handed === selected && selected.length > 0)
	);
	$effect(() => {
		if (isCollating || tab === 'markup') void writing.bringEdits();
		if (isCollating) void writing.bringTable();
	});
	$effect(() => {
		framing.columns = viewing.wide && table ? table.collating.shown : null;
	});
	const over = $derived(framing.columns?.map(({ width }) => width).join() ?? '');
	const frameAt = (width: number): string | undefined => {
		if (width === carriage.width) return 'lead';
		const column = framing.columns?.find((one) => one.width === width);
		return column && `column ${column.letter}`;
	};
	$effect(() => {
		const collating = table?.collating;
		if (!collating) return;
		// What the answer depends on, besides what is asked.
		void [page.conditions, collating.held, collating.also, over];
		const looked =
			isCollating && stages && selected.length > 0
				? {
						page,
						stages,
						paths: selected,
						lead,
						bands,
						file: shown,
						marks: marked(site).map(({ width }) => width),
						range: carriage.range,
						frameAt
					}
				: null;
		const gone = new AbortController();
		untrack(() => void collating.look(looked, gone.signal));
		return () => gone.abort();
	});
	let stages = $state.raw<Stages | null>(null);
	const swept = $derived(stages && { page, stages, lead, plain: viewing.lead === null });
	const watching = untrack(
		() =>
			new Watching(site, {
				swept: () => swept,
				bands: () => bands,
				tab: () => tab,
				selected: () => selected[0]
			})
	);
	const { sweeping, following, waking, holding } = $derived(watching);

	/** Shows a place of the page’s sources, which errands of the page may have moved, in its file. */
	const toPlace = ({ path, offset, ...how }: FilePlace): void =>
		show({ path, offset: page.inFile(path, offset), ...how });
	const reach = (selectors: readonly string[]): Promise<Hits> => reachOf(site, page, stages, selectors);
	const placeOf = (place: Place): string => placeName(page, place);

	let frames = $state<FramesTable>();
	const IN_STEP = 'vantaggio-in-step';
	let inStep = $state(store.get(IN_STEP) !== 'no');
	$effect(() => void store.set(IN_STEP, inStep ? 'yes' : 'no'));
	$effect(() => site.support.take(site.kept.target.list[0]));

	$effect(() => {
		const vantages = () => site.vantages.list.map(({ fields }) => seenVantage(fields, viewing.switches));
		const of = site;
		of.answers = answersOf(of, page, vantages, stages, toPlace);
		return () => (of.answers = NO_ANSWERS);
	});

	async function traceIn(path: ElementPath, pseudo = ''): Promise<Trace | null> {
		const [at, inStages, on] = [page, stages, lead];
		const { traceOf } = await insist(() => import('$lib/inquiry/trace.ts'));
		return inStages && traceOf(at, inStages, path, on, pseudo);
	}

	$effect(() => {
		const takeEnd = (path: string, offset: number, from: Rational): void =>
			void writing.propose(({ shifting }) => shifting.beginBlock(path, offset, from, bands.thresholds));
		return site.doing({ takeEnd, putEnd: (px) => edits?.shifting.put(px) });
	});

	const selectedName = $derived(
		selected[0] ? nameAt(page.page, selected[0], 'what is selected') : 'what is selected'
	);
	const shift = writing.shift(() => bands);
	const onjoin = ({ lo, hi }: Interval): void => void writing.propose((edits) => hi && edits.close(lo, hi));

	/** What is selected in the sheet. */
	function chosen(): Chosen {
		const { from, to } = site.texts.get(shown)?.state.selection.main ?? { from: 0, to: 0 };
		return { file: shown, from, to };
	}

	/** Asks what is to be done to the rules at the sheet's caret. */
	const arrange = (): void => void writing.propose((edits) => (edits.arranged = chosen()));

	/** Proposes another selector for the rule at the sheet's caret. */
	function reselect(selector: string, note: string): void {
		const { span } = rule ?? {};
		if (span)
			void writing.propose((edits) =>
				edits.reselect({ file: shown, from: span.start, to: span.end }, selector, note)
			);
	}

	/** Proposes an edit of what is selected in the sheet; says why it is not. */
	async function arranged(make: (edits: Edits) => void): Promise<string | null> {
		await writing.propose(make);
		return writing.edits?.proposal.refusal?.sentence ?? null;
	}
	const wrap = (interval: Interval | null, join: boolean): Promise<string | null> =>
		arranged((edits) => (interval ? edits.wrap(chosen(), interval, join) : edits.unwrap(chosen())));

	/** Brings the sheet out where it is away, and goes to it, or opens what it can go to. */
	async function toSheet(menu: boolean): Promise<void> {
		if (viewing.wide) viewing.drawer = true;
		await tick();
		if (menu) sheet?.openGo();
		else sheet?.focus();
	}

	/** Shows a rule that hits what is selected: the last in the cascade's order first, at each further call the next. */
	async function toRule(): Promise<void> {
		const [path] = selected;
		const found = path && stages ? await rulesOf(page, stages, path, lead) : [];
		const shown = found.findIndex(({ path, offset }) => path === place?.path && offset === place.offset);
		const next = found[(shown + 1) % Math.max(1, found.length)];
		if (next) show(next);
	}

	const pictures = $derived(site.kept.original.list);
	const original = $derived(pictures.find(({ page: of, at }) => of === page.path && at === lead.width));
	/** Lays the lead's Original otherwise. */
	function layOriginal({ x, y, scale }: Lie): void {
		const was = original;
		if (!was || ![x, y, scale].every(Number.isFinite)) return;
		void site.kept.original.keep(
			(list) =>
				list.map((one) => (one.hash === was.hash && one.at === was.at ? { ...one, x, y, scale } : one)),
			`${was.name} lined up`
		);
	}

	$effect(() => {
		bindKeys({
			...lookingKeys(
				site.vantages,
				() => bands,
				() => watching.stops,
				() => frames?.toChorus()
			),
			s: {
				name: 'Scroll in step, or not',
				withShift: 'What can be muted: a letter chooses',
				does: ({ shift }) => (shift ? sheet?.openMute() : (inStep = !inStep))
			},
			e: {
				name: 'To the sheet',
				withShift: 'What the sheet can go to and move: a letter chooses',
				does: ({ shift }) => void toSheet(shift)
			},
			a: {
				name: 'Search all files',
				withShift: 'Arrange the rules at the caret: part, join, move, name',
				does: ({ shift }) => (shift ? arrange() : sheet?.search())
			},
			g: {
				name: 'Fold what is not in force here',
				withShift: 'Unfold all',
				does: ({ shift }) => sheet?.fold(!shift)
			},
			q: {
				name: 'Wrap the selected rules into a condition',
				withShift: 'Take the condition around the caret away',
				does: ({ shift }) => sheet?.wrap(!shift)
			},
			'.': { name: 'Next element that the rule at the caret hits', does: () => sheet?.step(1) },
			',': { name: 'Element before that it hits', does: () => sheet?.step(-1) },
			m: {
				name: 'Mute what the caret is in, in all frames, or bring it back',
				withShift: 'Bring everything muted back',
				does: ({ shift }) => sheet?.mute(shift ? 'back' : 0)
			},
			y: {
				name: 'Switches for all frames',
				withShift: 'Curve: where a value of what is selected changes',
				does: ({ shift }) => (shift ? (tab = 'curve') : frames?.openSwitches())
			},
			z: {
				name: 'To the ladder: arrow keys go to what is around, in and beside the selection',
				withShift: 'Outline of the page',
				does: ({ shift }) => (shift ? (tab = 'outline') : frames?.toLadder())
			},
			i: {
				name: 'Box of what is selected',
				withShift: 'Markup of what is selected',
				does: ({ shift }) => (tab = shift ? 'markup' : 'box')
			},
			h: {
				name: 'Hold this band as it is',
				withShift: 'Hold all but this band',
				does: ({ shift }) => void watching.hold(shift)
			},
			c: {
				name: 'Collation at the whole width: a column and a frame a band; again: back',
				withShift: 'Collation under the sheet',
				does: ({ shift }) => (shift ? (tab = 'collation') : (viewing.wide = !viewing.wide))
			},
			t: {
				name: 'States held in the frames',
				withShift: 'Trace: how the values of what is selected come about',
				does: ({ shift }) => (tab = shift ? 'trace' : 'states')
			},
			o: {
				name: 'Originals of the page',
				withShift: 'Findings: what is wrong, with its widths',
				does: ({ shift }) => (tab = shift ? 'findings' : 'original')
			},
			r: {
				name: 'To the rule of what is selected; again to the next',
				withShift: 'Reach: selectors for what is selected',
				does: ({ shift }) => (shift ? (tab = 'reach') : void toRule())
			},
			...(selected.length > 0 && !viewing.use
				? { escape: { name: 'Nothing selected', does: () => select([]) } }
				: {})
		});
		return () => bindKeys({});
	});
</script>

<Measure
	{bands}
	others={page.conditions.others}
	width={carriage.width}
	range={carriage.range}
	vantages={marked(site)}
	onwidth={(width) => (carriage.width = width)}
	onplace={({ file, span }) => toPlace({ path: file, offset: span.start })}
	{placeOf}
	reach={table?.hand.held ? table.hand.reach : (waking?.wake?.widths ?? null)}
	held={watching.isHolding ? (holding?.widthsOn(page.path) ?? null) : null}
	found={watching.found}
	onshift={shift}
	{onjoin}
>
	{#if edits}
		{#await insist(() => import('$lib/features/arrange/EditCards.svelte')) then { default: EditCards }}
			<Guarded name="What is tried">
				{#if edits}<EditCards
						{edits}
						{site}
						{bands}
						pagesOf={(files) => pagesOf(site, files)}
						onplace={show}
					/>{/if}
			</Guarded>
		{/await}
	{/if}
</Measure>
<main class:alone={(viewing.alone && !viewing.wide) || (viewing.wide && !viewing.drawer)}>
	<PaneGroup direction="horizontal" autoSaveId="vantaggio-across" storage={asStorage}>
		<Pane defaultSize={61} minSize={30}>
			<Guarded name="The frames">
				<FramesTable
					bind:this={frames}
					bind:stages
					bind:inStep
					{workbench}
					{framing}
					{leadName}
					{placeOf}
					{original}
					onlie={layOriginal}
					onholds={() => void watching.bringHolding()}
					edited={waking?.wake?.edited.before ?? null}
				>
					{#snippet holds()}
						{#if swept && holding}
							{#await insist(() => import('$lib/features/holds/Holds.svelte')) then { default: Holds }}
								<Guarded name="Holds">
									{#if swept && holding}
										<Holds {site} {holding} {swept} {bands} {selected} name={selectedName} />
									{/if}
								</Guarded>
							{/await}
						{/if}
					{/snippet}
					{#snippet below()}
						{#if !selected[0]}
							<p class="nothing">
								Find something (<kbd>/</kbd>), or <kbd>C</kbd> and a click in a frame, to see it band by band.
							</p>
						{:else if table && edits}
							{#await insist(() => import('$lib/features/collation/Collation.svelte')) then { default: Collation }}
								<Guarded name="The Collation">
									{#if table && edits}
										<Collation
											wide
											{page}
											paths={selected}
											{...table}
											{site}
											proposal={edits.proposal}
											{reach}
											onplace={toPlace}
											least={LEAST_COLUMN}
											names={NAMES}
										/>
									{/if}
								</Guarded>
							{/await}
						{/if}
					{/snippet}
				</FramesTable>
			</Guarded>
		</Pane>
		<PaneResizer class="across" aria-label="Width of the sheet" />
		<Pane defaultSize={39} minSize={20} class="right">
			<PaneGroup direction="vertical" autoSaveId="vantaggio-down" storage={asStorage}>
				<Pane defaultSize={64} minSize={20}>
					<Guarded name="The sheet">
						<SheetPanel
							bind:this={sheet}
							bind:rule
							bind:shownPath={shown}
							{site}
							{page}
							{lead}
							{bands}
							{file}
							onfile={choose}
							{place}
							onplace={show}
							{selected}
							onselect={select}
							found={stages && ((selector) => stages?.found('lead', selector) ?? Promise.resolve([]))}
							idle={stages &&
								(async (path) => {
									const { idleDeclarations } = await insist(() => import('$lib/inquiry/idle.ts'));
									return stages ? idleDeclarations(page, stages, lead, path) : [];
								})}
							onrule={toRule}
							onarrange={arrange}
							onmove={(by) => arranged((edits) => edits.move(chosen(), by))}
							onwrite={reselect}
							onwrap={wrap}
							onedit={() => frames?.show()}
							{waking}
							{holding}
							{swept}
							onpropose={() => writing.anew()}
						/>
					</Guarded>
				</Pane>
				<PaneResizer class="down" aria-label="Height of the sheet" />
				<Pane defaultSize={36} minSize={8}>
					<Below
						bind:tab
						{table}
						oncollate={() => {
							handed = selected;
							return writing.bringTable();
						}}
						proposal={edits?.proposal ?? null}
						onpropose={() => writing.anew()}
						{site}
						{page}
						{original}
						onlie={layOriginal}
						{selected}
						onselect={select}
						named={new Map(
							framing.frames.map(({ frame, vantage }) => [frame, frame === 'lead' ? leadName : vantage.name])
						)}
						{lead}
						{bands}
						trace={traceIn}
						file={shown}
						{rule}
						onwrite={reselect}
						matching={(path, selectors) => stages?.matching('lead', path, selectors) ?? Promise.resolve([])}
						onplace={toPlace}
						{reach}
						{sweeping}
						{following}
						{swept}
						{onjoin}
						spaces={(path) => stages?.spaces('lead', path) ?? Promise.resolve([])}
						unseen={() => stages?.unseen('lead') ?? Promise.resolve(new Map())}
						instead={async (path) => {
							const { insteadOf } = await insist(() => import('$lib/inquiry/instead.ts'));
							return stages ? insteadOf(page, stages, path, lead, bands) : [];
						}}
						computed={(paths) => stages?.computed('lead', paths) ?? Promise.resolve([])}
					/>
				</Pane>
			</PaneGroup>
		</Pane>
	</PaneGroup>
</main>

<style>
	main {
		grid-area: work;
		min-height: 0;
	}

	main :global([data-pane-resizer]) {
		position: relative;
		flex: none;
		background: var(--hair);
	}

	main :global(.across) {
		width: 1px;
	}

	main :global(.down) {
		height: 1px;
	}

	/* What the pointer finds is wider than the line. */
	main :global([data-pane-resizer])::after {
		position: absolute;
		inset: -0.25rem;
		z-index: 2;
		content: '';
	}

	main :global([data-pane-resizer]:is(:hover, :focus-visible)) {
		background: var(--ink);
	}

	.nothing {
		grid-area: table;
		padding: 1.5rem;
	}

	.alone :global(.right),
	.alone :global(.across) {
		display: none;
	}
</style>
