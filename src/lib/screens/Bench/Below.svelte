<script lang="ts" module>
	export type Tab =
		| 'findings'
		| 'curve'
		| 'box'
		| 'collation'
		| 'markup'
		| 'outline'
		| 'trace'
		| 'reach'
		| 'states'
		| 'original';
</script>

<script lang="ts">
	import { insist } from '$lib/session/insist.ts';
	import type { ElementPath } from '$lib/core/html/index.ts';
	import type { Unseen } from '$lib/core/presence/index.ts';
	import type { Table } from '$lib/features/collation/hand.svelte.ts';
	import type { CaretRule } from '$lib/editor/caretRule.ts';
	import type { Edits } from '$lib/features/arrange/edits.svelte.ts';
	import { wishMarkup } from '$lib/features/markup/markup.ts';
	import type { Instead } from '$lib/inquiry/instead.ts';
	import type { Proposal } from '$lib/session/proposal.svelte.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import type { Lie, Original } from '$lib/core/original/index.ts';
	import { originals } from '$lib/features/originals/originals.svelte.ts';
	import { selectionView } from '$lib/session/selection.svelte.ts';
	import { states } from '$lib/session/states.svelte.ts';
	import { viewing } from '$lib/session/viewing.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';

	import type { Trace } from '$lib/inquiry/trace.ts';
	import type { SpaceFound } from '$lib/stage/protocol.ts';
	import type { Following } from '$lib/features/curve/following.svelte.ts';
	import type { Sweeping, Swept } from '$lib/features/findings/sweeping.svelte.ts';
	import type { Hits } from '$lib/session/reach.ts';
	import type { Interval } from '$lib/core/interval/index.ts';
	import type { Bands } from '$lib/core/media/index.ts';
	import type { SeenVantage } from '$lib/core/vantage/index.ts';
	import Guarded from '$lib/ui/Guarded.svelte';
	import Tabs from '$lib/ui/Tabs.svelte';

	interface Props {
		/** Which of its tabs is shown. */
		tab: Tab;
		/** The collation of what is selected and the value in the hand; null until they are asked for. */
		table: Table | null;
		/** The collation is wished for, though it is not shown. */
		oncollate: () => Promise<Table>;
		/** What larger edits are proposed with; null until one is first wished for. */
		proposal: Proposal | null;
		/** A larger edit is wished for, in place of what was tried before. */
		onpropose: () => Promise<Edits>;
		site: SiteState;
		page: PageState;
		/** The Original at the lead's width, and a wish to lay it otherwise. */
		original: Original | undefined;
		onlie: (lie: Lie) => void;
		selected: readonly ElementPath[];
		onselect: (paths: readonly ElementPath[]) => void;
		/** Names of frames by their ids. */
		named: ReadonlyMap<string, string>;
		lead: SeenVantage;
		bands: Bands;
		trace: (path: ElementPath, pseudo?: string) => Promise<Trace | null>;
		/** What selectors hit on the page in the frames and on the others. */
		reach: (selectors: readonly string[]) => Promise<Hits>;
		onplace: (place: FilePlace) => void;
		/** The file in the sheet, the rule at its caret, and a wish to write another selector there. */
		file: string;
		rule: CaretRule | undefined;
		onwrite: (selector: string, note: string) => void;
		/** Which of the selectors hit an element of the lead. */
		matching: (path: ElementPath, selectors: readonly string[]) => Promise<readonly boolean[]>;
		/** What of the lead's page does not show, and why. */
		unseen: () => Promise<ReadonlyMap<string, Unseen>>;
		/** What says the same as an element and shows where it does not. */
		instead: (path: ElementPath) => Promise<readonly Instead[]>;
		/** The space at each side of an element in the lead. */
		spaces: (path: ElementPath) => Promise<readonly SpaceFound[]>;
		/** What is found, width by width, and what is to be swept; null until it is wished for. */
		sweeping: Sweeping | null;
		/** Where what is selected changes; null until it is wished for. */
		following: Following | null;
		swept: Swept | null;
		/** A stretch in which neither half of a breakpoint holds is to be closed. */
		onjoin: (stretch: Interval) => void;
		/** The computed values of elements in the lead. */
		computed: (paths: readonly ElementPath[]) => Promise<readonly ReadonlyMap<string, string>[]>;
	}

	let {
		tab = $bindable(),
		table,
		oncollate,
		proposal,
		onpropose,
		site,
		page,
		original,
		onlie,
		selected,
		onselect,
		named,
		lead,
		bands,
		trace,
		reach,
		onplace,
		file,
		rule,
		onwrite,
		matching,
		unseen,
		instead,
		spaces,
		sweeping,
		following,
		swept,
		onjoin,
		computed
	}: Props = $props();

	const on = $derived(states.pins.length + states.staged.length);
	const tabs = $derived([
		{ id: 'box', name: 'Box', title: 'The box of what is selected', mark: '' },
		{
			id: 'collation',
			name: 'Collation',
			title: 'What is declared on what is selected, a column a band',
			mark: ''
		},
		{ id: 'findings', name: 'Findings', title: 'What is wrong on the page, with the widths', mark: '' },
		{
			id: 'curve',
			name: 'Curve',
			title: 'A value of what is selected over all widths, and where it changes',
			mark: ''
		},
		{ id: 'outline', name: 'Outline', title: 'All elements of the page', mark: '' },
		{ id: 'trace', name: 'Trace', title: 'Why what is selected has the values it has', mark: '' },
		{ id: 'reach', name: 'Reach', title: 'Selectors for what is selected, and what else they hit', mark: '' },
		{ id: 'markup', name: 'Markup', title: 'The HTML of what is selected', mark: '' },
		{
			id: 'states',
			name: 'States',
			title: 'States that are held in the frames',
			mark: on > 0 ? String(on) : ''
		},
		{
			id: 'original',
			name: 'Original',
			title: 'Pictures of how the page should look',
			mark: originals.mode === 'off' || !original ? '' : originals.mode
		}
	] satisfies { id: Tab; name: string; title: string; mark: string }[]);
	/** The box of what is selected against the lead's page. */
	const box = $derived.by(() => {
		const lead = selectionView.boxes.find(({ frame }) => frame === 'lead');
		const found = lead?.boxes[0];
		return found ? { ...found, left: found.left + lead.scroll.x, top: found.top + lead.scroll.y } : undefined;
	});
	const [first, second] = $derived(selected);
	const known = $derived({
		unsteady: new Set(
			site.kept.unsteady.list.flatMap(({ page: of, name }) => (of === page.path ? [name] : []))
		),
		given: site.given
	});
	async function give(paths: readonly ElementPath[], name: string): Promise<string> {
		const { proposal } = await onpropose();
		return wishMarkup(site, page, proposal, paths, { kind: 'give-class', name });
	}
</script>

<section aria-label="What is selected">
	<Tabs
		label="About what is selected"
		{tabs}
		chosen={tab}
		onchoose={(id) => (tab = tabs.find((one) => one.id === id)?.id ?? 'box')}
	/>
	<div class="inner" role="tabpanel" tabindex="0" aria-label={tabs.find(({ id }) => id === tab)?.name}>
		{#key tab}
			<Guarded name={tabs.find(({ id }) => id === tab)?.name ?? ''}>
				{#if tab === 'outline'}
					{#await insist(() => import('$lib/features/outline/Outline.svelte')) then { default: Outline }}
						<Outline {page} {selected} {onselect} {unseen} {lead} />
					{/await}
				{:else if tab === 'original'}
					{#await insist(() => import('$lib/features/originals/Originals.svelte')) then { default: Originals }}
						<Originals {site} page={page.path} current={original} {box} {onlie} />
					{/await}
				{:else if tab === 'findings'}
					{#await insist(() => import('$lib/features/findings/Findings.svelte')) then { default: Findings }}
						{#if sweeping}<Findings
								{site}
								{page}
								{sweeping}
								{swept}
								{onselect}
								{onplace}
								{onpropose}
								{onjoin}
							/>{/if}
					{/await}
				{:else if tab === 'states'}
					{#await insist(() => import('$lib/features/states/States.svelte')) then { default: States }}
						<States {site} {page} {selected} {named} />
					{/await}
				{:else if !first}
					<p class="empty">
						Click something in a frame. A second click takes what is around it; Ctrl-click a second thing to
						see both side by side.
					</p>
				{:else if tab === 'curve'}
					{#await insist(() => import('$lib/features/curve/CurveOf.svelte')) then { default: CurveOf }}
						{#if following}<CurveOf {site} {page} {following} {bands} path={first} {trace} {onplace} />{/if}
					{/await}
				{:else if tab === 'markup'}
					{#await insist(() => import('$lib/features/markup/Markup.svelte')) then { default: Markup }}
						{#if proposal}<Markup {site} {page} paths={selected} {proposal} />{/if}
					{/await}
				{:else if tab === 'collation'}
					{#await insist(() => import('$lib/features/collation/Collation.svelte')) then { default: Collation }}
						{#if viewing.wide}
							<p class="empty">It lies at the whole width; <kbd>C</kbd> brings it back here.</p>
						{:else if table && proposal}
							<Collation
								{page}
								paths={selected}
								{...table}
								{site}
								{proposal}
								{reach}
								{onplace}
								least={6.5}
								names={7}
							/>
						{/if}
					{/await}
				{:else if tab === 'trace'}
					<!-- What answers why is large: it comes when first asked for. -->
					{#await insist(() => import('$lib/features/trace/Trace.svelte')) then { default: TraceView }}
						<TraceView
							{page}
							path={first}
							{lead}
							{bands}
							{trace}
							{onplace}
							{onselect}
							onmute={(file, { words, span }) =>
								site.texts.get(file)?.mute({
									words,
									span: { start: page.inFile(file, span.start), end: page.inFile(file, span.end) }
								})}
						/>
					{/await}
				{:else if tab === 'reach'}
					{#await insist(() => import('$lib/features/reach/Reach.svelte')) then { default: Reach }}
						<Reach
							{page}
							paths={selected}
							{lead}
							{file}
							{known}
							{reach}
							{matching}
							{trace}
							{rule}
							{onwrite}
							{give}
						/>
					{/await}
				{:else if second}
					{#await insist(() => import('$lib/features/box/Twins.svelte')) then { default: Twins }}
						<Twins {page} paths={[first, second]} {computed} />
					{/await}
				{:else}
					{#await insist(() => import('$lib/features/box/Box.svelte')) then { default: Box }}
						<Box
							{page}
							path={first}
							{named}
							{onselect}
							{instead}
							{spaces}
							{trace}
							width={lead.width}
							{table}
							{oncollate}
							{reach}
							{onplace}
						/>
					{/await}
				{/if}
			</Guarded>
		{/key}
	</div>
</section>

<style>
	section {
		display: flex;
		flex-direction: column;
		height: 100%;
		min-height: 0;
		background: var(--sheet);
	}

	.inner {
		flex: 1;
		min-height: 0;
		padding: 0.625rem 0.875rem;
		overflow: auto;
	}

	.empty {
		max-width: 46ch;
		color: var(--ink-2);
	}
</style>
