import { messageOf } from '../core/text/index.ts';
import {
	forEachKept,
	KEPT_KINDS,
	type DraftRecord,
	type FileRecord,
	type KeptFields,
	type KeptKind,
	type SiteRecord,
	type StaleFile
} from '../api.ts';
import { isCompiled } from '../core/css/index.ts';
import { parsers, readAhead } from '../core/site/index.ts';
import { Refused } from '../http.ts';
import { api } from './api.ts';
import { Before } from './before.svelte.ts';
import { Carriage } from './carriage.svelte.ts';
import { Originals } from './originals.svelte.ts';
import { SelectionView } from './selection.svelte.ts';
import { States } from './states.svelte.ts';
import { Viewing } from './viewing.svelte.ts';
import { NO_ACTIONS, NO_ANSWERS, type PageAnswers, type SheetActions } from './answers.ts';
import { StageKeeper } from './stageKeeper.ts';
import { Support } from './support.ts';
import { draftKeeper, forgetDraft, leftDrafts } from './drafts.ts';
import { followStep } from './steps.ts';
import { openTabs, tabName } from './tab.ts';
import { FileText, type EditorSetup } from './texts.svelte.ts';

import { KeptList } from './keptList.svelte.ts';
import { listedVantages, Vantages } from './vantages.svelte.ts';

/** What an editor of a text of a site needs. */
type SiteEditorSetup = (site: SiteState, ...text: Parameters<EditorSetup>) => ReturnType<EditorSetup>;
type KeptLists = { readonly [K in KeptKind]: KeptList<KeptFields[K]> };

export type SaveState =
	| { readonly kind: 'idle' }
	| { readonly kind: 'saving' }
	| { readonly kind: 'failed'; readonly sentence: string };

/** The open site: its files, texts, vantages, and what is saved of them. */
export class SiteState {
	readonly id: number;
	readonly name: string;
	readonly tab: string;
	files = $state.raw<readonly FileRecord[]>([]);
	readonly texts: ReadonlyMap<string, FileText>;
	readonly vantages: Vantages;
	/** Lists of small things that are kept with the site. */
	readonly kept: KeptLists;
	revision = $state(0);
	save = $state.raw<SaveState>({ kind: 'idle' });
	/** Files that were saved elsewhere while they were changed here, with what they hold now. */
	stale = $state.raw<readonly StaleFile[]>([]);
	/** Drafts of tabs that are gone, for files that already have a newer one. */
	older = $state.raw<readonly DraftRecord[]>([]);
	/** Why drafts are not being kept at the moment; null while they are. */
	draftTrouble = $state<string | null>(null);
	/** What is out of force in the frames, in which file. */
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
	/** Paths of pages and sheets that are given: left as they are. */
	readonly given: ReadonlySet<string> = $derived.by(
		() => new Set([...this.kept.given.list.map(({ path }) => path), ...this.compiled])
	);
	/** What reads its texts, for all of its pages. */
	readonly parsers = parsers();
	/** What the page in the frames, and all others, can be asked; the screen that shows it answers. */
	answers: PageAnswers = NO_ANSWERS;
	#actions: SheetActions = NO_ACTIONS;
	/** How its pages are looked at. */
	readonly carriage = new Carriage();
	readonly states = new States();
	readonly viewing = new Viewing(this.carriage, this.states);
	readonly selectionView = new SelectionView();
	readonly before: Before;
	readonly originals: Originals;
	/** What lays its pages out, and shows them. */
	readonly stageKeeper: StageKeeper;
	/** What engines have of what its sheets say. */
	readonly support = new Support();
	readonly #drafts: ReturnType<typeof draftKeeper>;
	readonly #saved = new BroadcastChannel('vantaggio-saved');
	/** How many saves this tab has begun, and the end of the last one. */
	#saves = 0;
	#saving: Promise<void> = Promise.resolve();

	private constructor(record: SiteRecord, tab: string, setup: SiteEditorSetup) {
		this.id = record.id;
		this.stageKeeper = new StageKeeper(record.id, (boxes) => (this.selectionView.boxes = boxes));
		this.before = new Before(record.id, (path) => this.texts.get(path)?.saved);
		this.originals = new Originals((hash) => api.original(record.id, hash));
		this.name = record.name;
		this.tab = tab;
		this.files = record.files;
		this.revision = record.revision;
		const { vantages, vantagesVersion: version } = record;
		const announce = (): void => this.#saved.postMessage(this.id);
		this.vantages = new Vantages(record.id, { vantages, version }, announce);
		const list = <K extends KeptKind>(kind: K): KeptList<KeptFields[K]> =>
			new KeptList<KeptFields[K]>(record.kept[kind], {
				put: (base, requested) => api.keepList(record.id, kind, base, requested),
				read: async () => (await api.site(record.id)).kept[kind],
				kept: announce
			});
		this.kept = forEachKept<KeptLists>((kind) => list(kind) as KeptLists[KeptKind]);
		this.#drafts = draftKeeper(record.id, tab, (trouble) => (this.draftTrouble = trouble));
		const texts = record.files
			.filter(({ text }) => text !== null)
			.map(
				(file) =>
					new FileText(file, {
						changed: (changed, transactions) => {
							this.#drafts.note(changed);
							for (const one of transactions) followStep(this.texts, changed, one);
						},
						isGiven: () => this.given.has(file.path),
						setup: (kind, path) => setup(this, kind, path),
						readAhead: (kind, text) => readAhead(this.parsers, kind, text)
					})
			);
		this.texts = new Map(texts.map((file) => [file.path, file]));
		this.#saved.onmessage = ({ data }) => {
			if (data === this.id) void this.refresh();
		};
	}

	/** What is done with what is asked for in the sheet's editor. */
	get actions(): SheetActions {
		return this.#actions;
	}

	/** Does a part of what is asked for in the sheet's editor, until what it gives is called. */
	doing(part: Partial<SheetActions>): () => void {
		this.#actions = { ...this.#actions, ...part };
		return () => {
			const ended = Object.keys(part).map((name) => [name, NO_ACTIONS[name as keyof SheetActions]]);
			this.#actions = { ...this.#actions, ...(Object.fromEntries(ended) as Partial<SheetActions>) };
		};
	}

	/** Opens a site and takes up the drafts of this tab and of tabs that are gone. */
	static async open(id: number, setup: SiteEditorSetup): Promise<SiteState> {
		const [record, tab] = await Promise.all([api.site(id), tabName()]);
		const site = new SiteState(record, tab, setup);
		await site.#takeUp(record.drafts, leftDrafts(id));
		return site;
	}

	async #takeUp(kept: readonly DraftRecord[], left: readonly DraftRecord[]): Promise<void> {
		const alive = await openTabs();
		const isNewer = ({ path, tab }: DraftRecord): boolean =>
			!left.some((one) => one.path === path && one.tab === tab);
		const drafts = [...left, ...kept.filter(isNewer)].sort((a, b) => b.at.localeCompare(a.at));
		const taken = new Set<string>();
		const older: DraftRecord[] = [];
		const mine = drafts.filter(({ tab }) => tab === this.tab);
		const orphans = drafts.filter(({ tab }) => tab !== this.tab && !alive.has(tab));
		for (const draft of [...mine, ...orphans]) {
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
			this.stale = [...this.stale, { path: draft.path, hash: file.base, text: file.saved }];
		}
		file.base = draft.base;
		file.replace(draft.text, draft.caret);
		this.older = this.older.filter((one) => one !== draft);
		if (draft.tab !== this.tab) this.#drafts.adopt(draft);
		return true;
	}

	async dropOlder(draft: DraftRecord): Promise<void> {
		await forgetDraft(this.id, draft.path, draft.tab);
		this.older = this.older.filter((one) => one !== draft);
	}

	/** Saves every changed text as one revision. What was saved elsewhere is left as it is and named. */
	async saveAll(): Promise<void> {
		if (this.save.kind === 'saving') return;
		for (const file of this.texts.values()) file.settle();
		const changed = this.dirty.map((file) => ({ file, text: file.text }));
		if (changed.length === 0) return;
		this.save = { kind: 'saving' };
		this.#saves++;
		this.#saving = this.#send(changed);
		await this.#saving;
	}

	async #send(changed: readonly { readonly file: FileText; readonly text: string }[]): Promise<void> {
		try {
			const sent = changed.map(({ file, text }) => ({ path: file.path, base: file.base, text }));
			await this.#drafts.quiet();
			const { revision, files } = await api.save(this.id, this.tab, sent);
			this.revision = Math.max(this.revision, revision);
			for (const { file, text } of changed) {
				file.saved = text;
				file.base = files.find(({ path }) => path === file.path)?.hash ?? file.base;
				if (file.dirty) this.#drafts.note(file);
				else this.#drafts.saved(file.path);
			}
			this.stale = [];
			this.save = { kind: 'idle' };
			this.#saved.postMessage(this.id);
		} catch (error) {
			if (error instanceof Refused && error.stale.length > 0) this.stale = error.stale;
			this.save = { kind: 'failed', sentence: messageOf(error) };
			for (const { file } of changed) this.#drafts.note(file);
		}
	}

	/** Settles a file that was saved elsewhere: its text from there, or this one over it at the next save. */
	settle({ path, hash, text }: StaleFile, keep: 'theirs' | 'mine'): void {
		const file = this.texts.get(path);
		if (!file) return;
		file.base = hash;
		file.saved = text;
		if (keep === 'theirs') file.replace(text);
		else this.#drafts.note(file);
		this.stale = this.stale.filter((one) => one.path !== path);
		if (this.stale.length === 0 && this.save.kind === 'failed') this.save = { kind: 'idle' };
	}

	/**
	 * Takes in what another tab saved, in files that are unchanged here. An answer that a save of this tab has overtaken
	 * says what was before it: it is asked for again.
	 */
	async refresh(): Promise<void> {
		for (;;) {
			await this.#saving;
			const saves = this.#saves;
			const taking = this.#askedLists();
			const record = await api.site(this.id).catch(() => null);
			if (!record) return;
			if (saves !== this.#saves || record.revision < this.revision) continue;
			this.files = record.files;
			this.revision = record.revision;
			taking(record);
			for (const { path, hash, text } of record.files) {
				const file = this.texts.get(path);
				if (!file || text === null || file.base === hash || file.dirty) continue;
				file.base = hash;
				file.saved = text;
				file.replace(text, file.state.selection.main.head);
			}
			return;
		}
	}

	/** To be called before a record is asked for; what it gives takes in the lists of the answer. */
	#askedLists(): (record: SiteRecord) => void {
		const vantages = this.vantages.asked();
		const asked = <K extends KeptKind>(kind: K): ((record: SiteRecord) => void) => {
			const take = this.kept[kind].asked();
			return (record) => take(record.kept[kind]);
		};
		const lists = KEPT_KINDS.map(asked);
		return (record) => {
			vantages(listedVantages({ vantages: record.vantages, version: record.vantagesVersion }));
			for (const take of lists) take(record);
		};
	}

	/** Whether it was left; a later visit opens the site anew. */
	isClosed = false;

	/** Deletes the site, with all that the browser has of it. */
	async remove(): Promise<void> {
		await api.remove(this.id);
		await this.#drafts.forget();
	}

	close(): void {
		this.isClosed = true;
		this.#saved.close();
		this.#drafts.close();
	}
}
