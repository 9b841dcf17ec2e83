import type { FileChange, FileRecord } from '../api.ts';
import type { FileText } from './texts.svelte.ts';

/** The files of a site, and the texts of those that are pages and sheets. */
export class SiteFiles {
	list = $state.raw<readonly FileRecord[]>([]);
	texts = $state.raw<ReadonlyMap<string, FileText>>(new Map());
	/** Texts of deleted files, by path, so that they are unchanged when restored. */
	readonly #gone = new Map<string, FileText>();
	/** The new paths of files renamed here, by old path. Never cyclic: a path that is used again has no entry. */
	#moved: ReadonlyMap<string, string> = new Map();
	readonly #make: (file: FileRecord) => FileText;

	constructor(make: (file: FileRecord) => FileText) {
		this.#make = make;
	}

	/**
	 * Updates the list of files: new pages and sheets get a text, and texts of deleted files are dropped unless
	 * unsaved.
	 */
	take(files: readonly FileRecord[]): void {
		this.list = files;
		const texts = new Map<string, FileText>();
		for (const file of files) {
			if (file.text !== null) texts.set(file.path, this.texts.get(file.path) ?? this.#make(file));
		}
		for (const [path, file] of this.texts) if (file.dirty && !texts.has(path)) texts.set(path, file);
		const isSame = texts.size === this.texts.size && [...texts.keys()].every((path) => this.texts.has(path));
		if (!isSame) this.texts = texts;
	}

	/** The present path of the file that had a path, after any renaming here; the same where there was none. */
	pathNow(path: string): string {
		const isThere = (one: string): boolean => this.list.some((file) => file.path === one);
		let now: string | undefined = path;
		while (now !== undefined && !isThere(now)) now = this.#moved.get(now);
		return now ?? path;
	}

	/** The hash of a file's content; undefined where there is no such file. */
	hashOf(path: string): string | undefined {
		return this.texts.get(path)?.base ?? this.list.find((file) => file.path === path)?.hash;
	}

	/** Renames, deletes or restores a file before the server does; returns what undoes that. */
	change({ from, to, hash }: FileChange): () => void {
		const [list, texts, was] = [this.list, this.texts, this.#moved];
		const record = list.find(({ path }) => path === from);
		const file = from === null ? this.#gone.get(to ?? '') : texts.get(from);
		const others = list.filter(({ path }) => path !== from);
		const next = new Map(texts);
		if (from !== null) next.delete(from);
		if (from !== null && to === null && file) this.#gone.set(from, file);
		const moved = new Map(was);
		if (from !== null && to !== null) moved.set(from, to);
		moved.delete(to ?? '');
		this.#moved = moved;
		if (to !== null && record) this.list = [...others, { ...record, path: to }];
		else this.list = others;
		if (to !== null && file) next.set(to, from === null ? file : this.#copyOf(file, to, record, hash));
		this.texts = next;
		return () => {
			[this.list, this.texts, this.#moved] = [list, texts, was];
		};
	}

	/** A text under another path. */
	#copyOf(file: FileText, path: string, record: FileRecord | undefined, hash: string): FileText {
		const { saved: text, ownLines, latest, kind, state } = file;
		const size = record?.size ?? 0;
		const made = this.#make({ path, kind, hash, size, width: null, height: null, text, ownLines });
		if (latest !== text) made.replace(latest, state.selection.main.head, true);
		return made;
	}
}
