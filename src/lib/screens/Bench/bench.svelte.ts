import { untrack } from 'svelte';
import { nameAt, type ElementPath } from '$lib/core/html/index.ts';
import type { Interval, Rational } from '$lib/core/interval/index.ts';
import type { Alignment, Original } from '$lib/core/original/index.ts';
import type { Unseen } from '$lib/core/presence/index.ts';
import type { Bands } from '$lib/core/media/index.ts';
import { DONE, type Result } from '$lib/core/text/index.ts';
import { seenVantage, type SeenVantage } from '$lib/core/vantage/index.ts';
import type { CaretRule } from '$lib/editor/caretRule.ts';
import type { Edits } from '$lib/features/arrange/edits.svelte.ts';
import type { Table } from '$lib/features/collation/hand.svelte.ts';
import { marked, type Framing } from '$lib/features/frames/framing.svelte.ts';
import type { FramesView } from '$lib/features/frames/view.svelte.ts';
import type { IneffectiveDeclaration } from '$lib/inquiry/idle.ts';
import type { Instead } from '$lib/inquiry/instead.ts';
import type { Trace } from '$lib/inquiry/trace.ts';
import { NO_ANSWERS } from '$lib/session/answers.ts';
import { insist } from '$lib/session/insist.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import { reachOf, type Hits } from '$lib/session/reach.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import type { Stages } from '$lib/session/stages.svelte.ts';
import type { Workbench } from '$lib/session/workbench.ts';
import type { SpaceFound } from '$lib/stage/protocol.ts';
import type { Chosen } from '$lib/writing/within.ts';
import { answersOf, rulesOf } from './answers.ts';
import type { Tab } from './tabs.ts';
import { Watching } from './watching.svelte.ts';
import { Writing } from './writing.svelte.ts';

/** What the parts of the Bench share: its view, questions to the lead, and writing. */
export class BenchState {
	readonly workbench: Workbench;
	readonly site: SiteState;
	readonly view: FramesView;
	readonly toPlace: FramesView['toPlace'];
	readonly framing: Framing;
	readonly writing: Writing;
	readonly watching: Watching;
	/** The panel shown below the sheet. */
	tab = $state<Tab>('box');
	/** How many times a key has opened a panel, which then takes the focus. */
	panelsAsked = $state(0);
	/** The rule at the sheet's caret, and the shown file. */
	rule = $state.raw<CaretRule | undefined>();
	shown = $state('');
	/** What another part of the Bench wants a value edited of, in addition to the selection. */
	#handed = $state.raw<readonly ElementPath[] | null>(null);

	readonly swept = $derived.by(
		() =>
			this.stages && {
				page: this.page,
				stages: this.stages,
				lead: this.lead,
				made: { window: this.framing.window, switches: this.site.viewing.switches }
			}
	);
	/** The Original for the lead's page, at its width. */
	readonly original: Original | undefined = $derived.by(() =>
		this.site.kept.original.list.find(({ page: of, at }) => of === this.page.path && at === this.lead.width)
	);
	readonly selectedName = $derived.by(() => {
		const [path] = this.selected;
		return path ? nameAt(this.page.page, path, 'what is selected') : 'what is selected';
	});
	/** Names of frames by their ids. */
	readonly named: ReadonlyMap<string, string> = $derived.by(
		() =>
			new Map(
				this.framing.frames.map(({ frame, vantage }) => [
					frame,
					frame === 'lead' ? this.view.leadName : vantage.name
				])
			)
	);
	/** Whether a Collation of the selection is shown, or has a value being edited. */
	readonly isCollating = $derived.by(
		() =>
			this.tab === 'collation' ||
			this.site.viewing.wide ||
			(this.tab === 'box' && this.#handed === this.selected && this.selected.length > 0)
	);

	/** The widths of frames above columns, as one text, which stays the same when they do. */
	readonly #over = $derived.by(() => this.framing.columns?.map(({ width }) => width).join() ?? '');

	/** To be created during component initialisation of the Bench. */
	constructor(view: FramesView) {
		const { workbench, framing, toPlace } = view;
		this.view = view;
		this.workbench = workbench;
		this.site = workbench.site;
		this.framing = framing;
		this.toPlace = toPlace;
		this.writing = new Writing(this.site);
		this.watching = new Watching(this.site, {
			swept: () => this.swept,
			bands: () => this.bands,
			tab: () => this.tab,
			selected: () => this.selected[0]
		});
		$effect(() => {
			if (this.isCollating || this.tab === 'markup') void this.writing.bringEdits();
			if (this.isCollating) void this.writing.bringTable();
		});
		$effect(() => {
			this.framing.columns =
				this.site.viewing.wide && this.writing.table ? this.writing.table.collating.shown : null;
			return () => (this.framing.columns = null);
		});
		$effect(() => this.#collate());
		$effect(() => {
			const vantages = () =>
				this.site.vantages.list.map(({ fields }) => seenVantage(fields, this.site.viewing.switches));
			this.site.answers = answersOf(this.site, this.page, vantages, this.stages, this.toPlace);
			return () => (this.site.answers = NO_ANSWERS);
		});
		$effect(() => {
			const takeEnd = (path: string, offset: number, from: Rational): void =>
				void this.writing.propose(({ shifting }) =>
					shifting.beginBlock(path, offset, from, this.bands.thresholds)
				);
			return this.site.doing({ takeEnd, putEnd: (px) => this.writing.edits?.shifting.put(px) });
		});
		$effect(() => this.site.support.take(this.site.kept.target.list[0]));
	}

	get page(): PageState {
		return this.workbench.page;
	}

	/** The stages; null until they are open. */
	get stages(): Stages | null {
		return this.view.stages;
	}

	get lead(): SeenVantage {
		return this.view.lead;
	}

	get bands(): Bands {
		return this.view.bands;
	}

	get selected(): readonly ElementPath[] {
		return this.workbench.selected;
	}

	/** Keeps the Collation of the selection up to date while it is needed; returns a function that ends that. */
	#collate(): (() => void) | undefined {
		const collating = this.writing.table?.collating;
		if (!collating) return undefined;
		// Everything besides the question that the answer depends on.
		void [this.page.conditions, collating.held, collating.also, this.#over];
		const { page, stages, selected, lead, bands } = this;
		const looked =
			this.isCollating && stages && selected.length > 0
				? {
						page,
						stages,
						paths: selected,
						lead,
						bands,
						file: this.shown,
						marks: marked(this.site).map(({ width }) => width),
						range: this.site.carriage.range,
						frameAt: (width: number) => this.#frameAt(width)
					}
				: null;
		const gone = new AbortController();
		untrack(() => void collating.look(looked, gone.signal));
		return () => gone.abort();
	}

	#frameAt(width: number): string | undefined {
		if (width === this.site.carriage.width) return 'lead';
		const column = this.framing.columns?.find((one) => one.width === width);
		return column && `column ${column.letter}`;
	}

	/** Counts what selectors match on the page in the frames and on the others. */
	reach = (selectors: readonly string[]): Promise<Hits> =>
		reachOf(this.site, this.page, this.stages, selectors);

	/** Finds out where the values of an element, or of a pseudo-element of it, come from. */
	trace = async (path: ElementPath, pseudo = ''): Promise<Trace | null> => {
		const { page, stages, lead } = this;
		const { traceOf } = await insist(() => import('$lib/inquiry/trace.ts'));
		return stages && traceOf(page, stages, path, lead, pseudo);
	};

	/** The elements of the lead that a selector matches; null while there are no frames. */
	get found(): ((selector: string) => Promise<readonly ElementPath[]>) | null {
		const { stages } = this;
		return stages && ((selector) => stages.found('lead', selector));
	}

	/** The declarations of a file without effect in the lead; null while there are no frames. */
	get idle(): ((file: string) => Promise<readonly IneffectiveDeclaration[]>) | null {
		const { page, stages, lead } = this;
		if (!stages) return null;
		return async (file) => {
			const { ineffectiveDeclarations } = await insist(() => import('$lib/inquiry/idle.ts'));
			return ineffectiveDeclarations(page, stages, lead, file);
		};
	}

	/** Elements with the same content as an element that show where it does not. */
	instead = async (path: ElementPath): Promise<readonly Instead[]> => {
		const { page, stages, lead, bands } = this;
		const { insteadOf } = await insist(() => import('$lib/inquiry/instead.ts'));
		return stages ? insteadOf(page, stages, path, lead, bands) : [];
	};

	/** Which of the selectors match an element of the lead. */
	matching = (path: ElementPath, selectors: readonly string[]): Promise<readonly boolean[]> =>
		this.stages?.matching('lead', path, selectors) ?? Promise.resolve([]);

	/** The space at each side of an element in the lead. */
	spaces = (path: ElementPath): Promise<readonly SpaceFound[]> =>
		this.stages?.spaces('lead', path) ?? Promise.resolve([]);

	/** What on the lead's page does not show, and why. */
	unseen = (): Promise<ReadonlyMap<string, Unseen>> =>
		this.stages?.unseen('lead') ?? Promise.resolve(new Map());

	/** The computed values of elements in the lead. */
	computed = (paths: readonly ElementPath[]): Promise<readonly ReadonlyMap<string, string>[]> =>
		this.stages?.computed('lead', paths) ?? Promise.resolve([]);

	/** Requests a Collation of the selection, although it is not shown. */
	collate = (): Promise<Table> => {
		this.#handed = this.selected;
		return this.writing.bringTable();
	};

	/** Changes the alignment of the lead's Original. */
	alignOriginal = ({ x, y, scale }: Alignment): void => {
		const was = this.original;
		if (!was || ![x, y, scale].every(Number.isFinite)) return;
		void this.site.kept.original.keep(
			(list) =>
				list.map((one) => (one.hash === was.hash && one.at === was.at ? { ...one, x, y, scale } : one)),
			`${was.name} lined up`
		);
	};

	/** Opens a panel, with the focus in it. */
	toPanel(tab: Tab): void {
		this.tab = tab;
		this.panelsAsked++;
	}

	/** Proposes to close a gap in which neither half of a breakpoint holds. */
	join = ({ lo, hi }: Interval): void => void this.writing.propose((edits) => hi && edits.close(lo, hi));

	/** The sheet's selection. */
	chosen(): Chosen {
		const { from, to } = this.site.texts.get(this.shown)?.state.selection.main ?? { from: 0, to: 0 };
		return { file: this.shown, from, to };
	}

	/** Asks what to do with the rules at the sheet's caret. */
	arrange = (): void => void this.writing.propose((edits) => (edits.arranged = this.chosen()));

	/** Proposes to replace the selector of the rule at the sheet's caret, with a remark. */
	reselect = (selector: string, note: string): void => {
		const { span } = this.rule ?? {};
		if (!span) return;
		const chosen = { file: this.shown, from: span.start, to: span.end };
		void this.writing.propose((edits) => edits.reselect(chosen, selector, note));
	};

	/** Proposes an edit of the sheet's selection. */
	async #arranged(make: (edits: Edits) => void): Promise<Result> {
		await this.writing.propose(make);
		return this.writing.edits?.proposal.refusal ?? DONE;
	}

	/** Wraps the selected rules in a condition; with null, removes the condition around them. */
	wrap = (interval: Interval | null, join: boolean): Promise<Result> =>
		this.#arranged((edits) =>
			interval ? edits.wrap(this.chosen(), interval, join) : edits.unwrap(this.chosen())
		);

	/** Moves the rule at the caret so many places down (up: under 0). */
	move = (by: number): Promise<Result> => this.#arranged((edits) => edits.move(this.chosen(), by));

	/** Shows a rule that matches the selection: in reverse cascade order, the next one with each call. */
	toRule = async (): Promise<void> => {
		const { page, stages, lead, workbench } = this;
		const [path] = this.selected;
		const found = path && stages ? await rulesOf(page, stages, path, lead) : [];
		const { place } = workbench;
		const shown = found.findIndex((one) => one.path === place?.path && one.offset === place.offset);
		const next = found[(shown + 1) % Math.max(1, found.length)];
		if (next) workbench.show(next);
	};
}
