import type { FileChange, StaleFile } from '../api.ts';
import { messageOf } from '../core/text/index.ts';
import { Refused } from '../http.ts';
import { api } from './api.ts';
import type { draftKeeper } from './drafts.ts';
import type { SiteHistory } from './history.svelte.ts';
import { notify } from './notices.svelte.ts';
import type { SiteFiles } from './siteFiles.svelte.ts';
import type { FileText } from './texts.svelte.ts';

export type SaveState =
	| { readonly kind: 'idle' }
	| { readonly kind: 'saving' }
	| { readonly kind: 'failed'; readonly sentence: string };

/** A change of a file's path; its hash is needed to restore a deleted one. */
type PathChange = Pick<FileChange, 'from' | 'to'> & Partial<FileChange>;

/** What saving needs from a site. */
interface SavedSite {
	readonly id: number;
	readonly tab: string;
	readonly dirty: readonly FileText[];
	readonly history: SiteHistory;
	revision: number;
	refresh(): Promise<void>;
}

/** Sends this tab's changes to the server: texts as revisions, and files that are renamed, deleted or restored. */
export class Saving {
	state = $state.raw<SaveState>({ kind: 'idle' });
	/** Files that were saved elsewhere while they were changed here, with their present content. */
	stale = $state.raw<readonly StaleFile[]>([]);
	/** How many times this tab has started to save, and the end of the last of these. */
	begun = 0;
	ended: Promise<void> = Promise.resolve();
	readonly #site: SavedSite;
	readonly #files: SiteFiles;
	readonly #drafts: ReturnType<typeof draftKeeper>;
	readonly #announce: () => void;

	/** `announce` tells other tabs that something was saved. */
	constructor(
		site: SavedSite,
		files: SiteFiles,
		drafts: ReturnType<typeof draftKeeper>,
		announce: () => void
	) {
		[this.#site, this.#files, this.#drafts, this.#announce] = [site, files, drafts, announce];
	}

	/** Saves every changed text as one revision. Files that were saved elsewhere are not overwritten, but named. */
	async all(): Promise<void> {
		if (this.state.kind === 'saving') return;
		for (const file of this.#files.texts.values()) file.settle();
		const changed = this.#site.dirty.map((file) => ({ file, text: file.text }));
		if (changed.length === 0) return;
		this.state = { kind: 'saving' };
		this.begun++;
		this.ended = this.ended.then(() => this.#send(changed));
		await this.ended;
	}

	async #send(changed: readonly { readonly file: FileText; readonly text: string }[]): Promise<void> {
		const { id, tab, history } = this.#site;
		try {
			const sent = changed.map(({ file, text }) => ({ path: file.path, base: file.base, text }));
			await this.#drafts.quiet();
			const { revision, files } = await api.save(id, tab, sent);
			this.#site.revision = Math.max(this.#site.revision, revision);
			for (const { file, text } of changed) {
				const saved = files.find(({ path }) => path === file.path);
				if (saved) file.nowHolds(saved, saved.text ?? text);
				if (file.text === text && file.dirty) history.asOne('Laid out', () => file.replace(file.saved));
				if (file.dirty) this.#drafts.note(file);
				else this.#drafts.saved(file.path);
			}
			this.stale = [];
			this.state = { kind: 'idle' };
			this.#announce();
		} catch (error) {
			if (error instanceof Refused && error.stale.length > 0) this.stale = error.stale;
			this.state = { kind: 'failed', sentence: messageOf(error) };
			for (const { file } of changed) this.#drafts.note(file);
		}
	}

	/**
	 * Resolves the conflict of a file that was saved elsewhere: with the text from there, or with this tab's at the
	 * next save.
	 */
	settle(stale: StaleFile, keep: 'theirs' | 'mine'): void {
		const { path, text } = stale;
		const file = this.#files.texts.get(path);
		if (!file) return;
		file.nowHolds(stale, text);
		if (keep === 'theirs') this.#site.history.asOne('Text saved elsewhere kept', () => file.replace(text));
		else this.#drafts.note(file);
		this.stale = this.stale.filter((one) => one.path !== path);
		if (this.stale.length === 0 && this.state.kind === 'failed') this.state = { kind: 'idle' };
	}

	/**
	 * Renames, deletes or restores a file: here at once, and at the server after any save in progress. Returns what was
	 * done, with the hash of the file's content; null where the server refuses, in which case a message says so and
	 * nothing has changed.
	 */
	async change({ from, to, hash: brought = '' }: PathChange): Promise<FileChange | null> {
		const change = { from, to, hash: from === null ? brought : (this.#files.hashOf(from) ?? '') };
		const undo = this.#files.change(change);
		const made = this.ended.then(async () => {
			await this.#drafts.quiet();
			await api.changeFile(this.#site.id, change);
		});
		this.begun++;
		this.ended = made.catch(() => undefined);
		try {
			await made;
			this.#announce();
			await this.#site.refresh();
			return change;
		} catch (error) {
			undo();
			notify(messageOf(error), true);
			return null;
		} finally {
			for (const file of this.#site.dirty) this.#drafts.note(file);
		}
	}
}
