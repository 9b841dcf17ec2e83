import { applyChanges, refuse, type Edit, type FilePlace, type Refusal } from '../core/text/index.ts';
import { deskOf, linesOf, type FileLines } from './desk.ts';
import type { SiteState } from './site.svelte.ts';
import { tryEdit } from './trying.ts';
import type { Desk } from '../writing/declaration.ts';
import type { Proposed } from '../writing/proposed.ts';

/** An edit that is shown, and tried in all frames, before it is made, because it affects more than one value. */
export class Proposal {
	readonly #site: SiteState;
	#edit = $state.raw<Edit | null>(null);
	notes = $state.raw<readonly string[]>([]);
	/** Why the last request cannot be met; null where it can. */
	refusal = $state.raw<Refusal | null>(null);
	/** Proposes more of the same, or less; null where that makes no sense. */
	further = $state.raw<((by: number) => void) | null>(null);
	#shown: FilePlace | undefined;

	constructor(site: SiteState) {
		this.#site = site;
	}

	/** What it does; null while nothing is proposed. */
	get sentence(): string | null {
		return this.#edit?.sentence ?? null;
	}

	readonly lines: readonly FileLines[] = $derived.by(() => linesOf(this.#site, this.#edit));

	/** Makes a proposal from what is written on the desk. */
	propose(make: (desk: Desk) => Proposed): void {
		this.drop();
		const desk = deskOf(this.#site);
		const made = make(desk);
		if (!made.ok) {
			this.refusal = made;
			return;
		}
		const edit = desk.working.edit(made.value.summary);
		if (edit.files.length === 0) {
			this.refusal = refuse('That is already so: nothing would change.');
			return;
		}
		this.notes = made.value.notes;
		this.#shown = made.value.shown;
		this.#edit = edit;
		tryEdit(this.#site.texts, edit);
	}

	/** A file's text with the proposal; undefined where that does not change it. */
	textAfter(path: string): string | undefined {
		const changes = this.#edit?.files.find((file) => file.path === path)?.changes;
		const text = this.#site.texts.get(path)?.text;
		return changes && text !== undefined ? applyChanges(text, changes) : undefined;
	}

	/** Makes the edit, as one step; returns the place to be shown, where there is one. */
	keep(): FilePlace | undefined {
		const [edit, shown] = [this.#edit, this.#shown];
		this.drop();
		if (edit) this.#site.history.make(edit);
		return edit ? shown : undefined;
	}

	/** Discards the proposal. */
	drop(): void {
		this.refusal = null;
		this.notes = [];
		this.further = null;
		if (!this.#edit) return;
		this.#edit = null;
		tryEdit(this.#site.texts, null);
	}
}
