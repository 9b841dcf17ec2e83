import type { DraftRecord, FileRecord, SiteRecord } from '../api.ts';
import { isCompiled } from '../core/css/index.ts';
import { parsers, readAhead, sheetAt } from '../core/site/index.ts';
import type { Steps } from '../core/steps/index.ts';
import { api } from './api.ts';
import { Before } from './before.svelte.ts';
import { listErrands } from './listedErrands.ts';
import { Carriage } from './carriage.svelte.ts';
import { Originals } from './originals.svelte.ts';
import { OtherTabs } from './otherTabs.svelte.ts';
import { SelectionView } from './selection.svelte.ts';
import { States } from './states.svelte.ts';
import { Viewing } from './viewing.svelte.ts';
import { NO_ACTIONS, NO_ANSWERS, type PageAnswers, type SheetActions } from './answers.ts';
import { StageKeeper } from './stageKeeper.ts';
import { Support } from './support.ts';
import { draftKeeper, draftsToTake, forgetDraft } from './drafts.ts';
import { SiteHistory } from './history.svelte.ts';
import { historyKeeper } from './keptHistory.ts';
import { LinesInFile } from './linesInFile.svelte.ts';
import { tabName } from './tab.ts';
import { SiteFiles } from './siteFiles.svelte.ts';
import { Saving } from './saving.svelte.ts';
import { FileText, type EditorSetup } from './texts.svelte.ts';

import { askedLists, keptLists, type KeptLists } from './keptLists.ts';
import { Vantages } from './vantages.svelte.ts';

/** The extensions for an editor of one of a site's texts. */
type SiteEditorSetup = (site: SiteState, ...text: Parameters<EditorSetup>) => ReturnType<EditorSetup>;

/** The open site: its files, texts, vantages, and their saved states. */
export class SiteState {
	readonly id: number;
	readonly name: string;
	readonly tab: string;
	readonly #files = new SiteFiles((file) => this.#textOf(file));
	readonly vantages: Vantages;
	/** Lists of small things that are stored with the site. */
	readonly kept: KeptLists;
	revision = $state(0);
	/** Sends all of that to the server. */
	readonly saving: Saving;
	/** Drafts of closed tabs for files that already have a newer draft. */
	older = $state.raw<readonly DraftRecord[]>([]);
	/** Why drafts are not being stored at the moment; null while they are. */
	draftTrouble = $state<string | null>(null);
	/** What is muted in the frames, and in which file. */
	readonly muted = $derived.by(() =>
		[...this.texts.values()].flatMap((file) => file.muted.map((piece) => ({ file, piece })))
	);
	readonly dirty = $derived.by(() => [...this.texts.values()].filter((file) => file.dirty));
	/** Sheets that were compiled from other files. */
	readonly compiled: ReadonlySet<string> = $derived.by(
		() =>
			new Set(
				[...this.texts.values()]
					.filter(({ kind, saved }) => kind === 'sheet' && isCompiled(saved))
					.map(({ path }) => path)
			)
	);
	/** Paths of pages and sheets that are given, and so read-only. */
	readonly given: ReadonlySet<string> = $derived.by(
		() => new Set([...this.kept.given.list.map(({ path }) => path), ...this.compiled])
	);
	/** Parsers for its texts, shared by all of its pages. */
	readonly parsers = parsers();
	/** Answers questions about the page in the frames, and all others; set by the screen that shows it. */
	answers: PageAnswers = NO_ANSWERS;
	#actions: SheetActions = NO_ACTIONS;
	/** How its pages are viewed. */
	readonly carriage = new Carriage();
	readonly states = new States();
	readonly viewing = new Viewing(this.carriage, this.states);
	readonly selectionView = new SelectionView();
	readonly before: Before;
	readonly originals: Originals;
	/** Lays its pages out, and shows them. */
	readonly stageKeeper: StageKeeper;
	/** What is unsaved in other tabs. */
	readonly otherTabs: OtherTabs;
	/** Everything done to its texts, step by step. */
	readonly history: SiteHistory;
	/** Which engines support what its sheets use. */
	readonly support = new Support();
	readonly linesInFile = new LinesInFile();
	readonly #drafts: ReturnType<typeof draftKeeper>;
	readonly #setup: SiteEditorSetup;
	readonly #saved = new BroadcastChannel('vantaggio-saved');

	private constructor(record: SiteRecord, tab: string, setup: SiteEditorSetup) {
		this.id = record.id;
		this.stageKeeper = new StageKeeper(record.id, (boxes) => (this.selectionView.boxes = boxes));
		this.before = new Before(record.id, (path) => this.texts.get(this.pathNow(path))?.saved);
		this.originals = new Originals((hash) => api.original(record.id, hash));
		this.name = record.name;
		this.#setup = setup;
		this.tab = tab;
		this.revision = record.revision;
		const { vantages, vantagesVersion: version } = record;
		const announce = (): void => this.#saved.postMessage(this.id);
		this.vantages = new Vantages(record.id, { vantages, version }, announce);
		this.kept = keptLists(record, announce);
		this.history = new SiteHistory(
			(path) => this.texts.get(path),
			({ kind }, source) => ({ source, sheetAt: (offset) => sheetAt(this.parsers, kind, source, offset) }),
			historyKeeper(record.id, tab),
			{ move: (moved) => void this.saving.change(moved), list: (errands) => listErrands(this, errands) }
		);
		this.otherTabs = new OtherTabs(record.id, tab, () => this.#unsaved());
		this.#drafts = draftKeeper(record.id, tab, (trouble) => (this.draftTrouble = trouble));
		this.saving = new Saving(this, this.#files, this.#drafts, () => {
			this.otherTabs.tell(this.#unsaved());
			announce();
		});
		this.#files.take(record.files);
		this.#saved.onmessage = ({ data }) => {
			if (data === this.id) void this.refresh();
		};
	}

	/** The paths of this tab's unsaved files. */
	#unsaved(): string[] {
		return this.dirty.map(({ path }) => path);
	}

	/** The present path of the file that had a path, after any renaming here. */
	readonly pathNow = (path: string): string => this.#files.pathNow(path);

	get files(): readonly FileRecord[] {
		return this.#files.list;
	}

	get texts(): ReadonlyMap<string, FileText> {
		return this.#files.texts;
	}

	#textOf(file: FileRecord): FileText {
		return new FileText(file, {
			changed: (changed, transactions) => {
				this.#drafts.note(changed);
				this.history.note(changed, transactions);
				this.otherTabs.tell(this.#unsaved());
			},
			isGiven: () => this.given.has(file.path),
			setup: (kind, path) => this.#setup(this, kind, path),
			readAhead: (text) => this.#readAhead(file, text)
		});
	}

	*#readAhead({ path, kind }: FileRecord, text: string): Steps<void> {
		yield* readAhead(this.parsers, kind === 'page' ? 'page' : 'sheet', text);
		yield* this.#actions.frameAhead(path, text);
	}

	/** The actions for requests from the sheet's editor. */
	get actions(): SheetActions {
		return this.#actions;
	}

	/** Sets some of these actions, until the function that it returns is called. */
	doing(part: Partial<SheetActions>): () => void {
		this.#actions = { ...this.#actions, ...part };
		return () => {
			const ended = Object.keys(part).map((name) => [name, NO_ACTIONS[name as keyof SheetActions]]);
			this.#actions = { ...this.#actions, ...(Object.fromEntries(ended) as Partial<SheetActions>) };
		};
	}

	/** Opens a site and restores the drafts of this tab and of closed tabs. */
	static async open(id: number, setup: SiteEditorSetup): Promise<SiteState> {
		const [record, tab] = await Promise.all([api.site(id), tabName()]);
		const site = new SiteState(record, tab, setup);
		await site.#takeUp(record.drafts);
		site.history.resume();
		return site;
	}

	async #takeUp(kept: readonly DraftRecord[]): Promise<void> {
		const taken = new Set<string>();
		const older: DraftRecord[] = [];
		for (const draft of await draftsToTake(this.id, this.tab, kept)) {
			if (draft.text === this.texts.get(draft.path)?.saved) {
				void forgetDraft(this.id, draft.path, draft.tab).catch(() => undefined);
			} else if (taken.has(draft.path)) older.push(draft);
			else if (this.takeDraft(draft)) taken.add(draft.path);
		}
		this.older = older;
	}

	/** Puts a draft's text into its file; false where the site has no such text. */
	takeDraft(draft: DraftRecord): boolean {
		const file = this.texts.get(draft.path);
		if (!file) return false;
		if (file.base !== draft.base) {
			const { path, base: hash, saved: text, ownLines } = file;
			this.saving.stale = [...this.saving.stale, { path, hash, text, ownLines }];
		}
		file.base = draft.base;
		const isOwn = draft.tab === this.tab;
		this.history.asOne('Draft of a closed tab restored', () => file.replace(draft.text, draft.caret, isOwn));
		this.older = this.older.filter((one) => one !== draft);
		if (!isOwn) this.#drafts.adopt(draft);
		return true;
	}

	async dropOlder(draft: DraftRecord): Promise<void> {
		await forgetDraft(this.id, draft.path, draft.tab);
		this.older = this.older.filter((one) => one !== draft);
	}

	/**
	 * Loads what another tab saved, for files that are unchanged here. An answer that is older than a save of this
	 * tab is discarded, and requested again.
	 */
	async refresh(): Promise<void> {
		for (;;) {
			await this.saving.ended;
			const { begun } = this.saving;
			const taking = askedLists(this.kept, this.vantages);
			const record = await api.site(this.id).catch(() => null);
			if (!record) return;
			if (begun !== this.saving.begun || record.revision < this.revision) continue;
			this.#files.take(record.files);
			this.revision = record.revision;
			taking(record);
			for (const held of record.files) {
				const { path, hash, text } = held;
				const file = this.texts.get(path);
				if (!file || text === null || file.base === hash || file.dirty) continue;
				file.nowHolds(held, text);
				const caret = file.state.selection.main.head;
				this.history.asOne('Saved in another tab', () => file.replace(text, caret));
			}
			return;
		}
	}

	/** Whether it was closed; a later visit opens the site again. */
	isClosed = false;

	/** Deletes the site, and everything that the browser has stored of it. */
	async remove(): Promise<void> {
		await api.remove(this.id);
		await this.#drafts.forget();
		this.history.forget();
	}

	close(): void {
		this.isClosed = true;
		this.#saved.close();
		this.#drafts.close();
		this.history.close();
		this.otherTabs.close();
	}
}
