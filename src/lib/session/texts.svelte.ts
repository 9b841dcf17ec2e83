import { EditorState, type Extension, type Transaction, type TransactionSpec } from '@codemirror/state';
import { untrack } from 'svelte';
import type { FileRecord } from '../api.ts';
import { applyChanges, blanked, changeBetween, type Change } from '../core/text/index.ts';
import type { MutablePart } from '../core/css/index.ts';
import type { Steps } from '../core/steps/index.ts';
import { inEditor } from '../writing/working.ts';
import { noStep } from './noStep.ts';
import { paced } from './paced.ts';

/**
 * What follows from a longer text, in UTF-16 units (parsing, bands, the frames' contents), waits for a pause in
 * typing, so that letters appear at once; for a shorter one it is done before the screen's next update.
 */
const LONG = 40_000;
/** The pause, and the longest delay by typing without one, ms. */
const PAUSE = 250;
const PATIENCE = 1200;

/** The extensions for an editor that shows a text. */
export type EditorSetup = (kind: FileText['kind'], path: string) => Extension;

/** What a text needs from its site. */
interface TextOwner {
	/** Called when the text has changed. */
	readonly changed: (file: FileText, transactions: readonly Transaction[]) => void;
	/** Whether it is given, and so read-only. */
	readonly isGiven: () => boolean;
	readonly setup: EditorSetup;
	/** Reads a text in advance, so that it is cached when it takes effect. */
	readonly readAhead: (text: string) => Steps<void>;
}

/** A page's or sheet's text while it is being written; every change is a transaction here. */
export class FileText {
	readonly path: string;
	readonly kind: 'page' | 'sheet';
	state = $state.raw() as EditorState;
	/** The text as saved, and the hash of its file. */
	saved = $state('');
	base = $state('');
	/**
	 * For a minified sheet as saved, or a page with one, the lines that also begin a line of the file, from 0; null
	 * where every line does.
	 */
	ownLines = $state.raw<readonly number[] | null>(null);
	#text = $state('');
	/** Whether the text is behind the editor's, because somebody is typing in a long one. */
	isBehind = $state(false);
	/** Since when it is behind, ms. */
	#behindSince = 0;
	#timer: ReturnType<typeof setTimeout> | undefined;
	readonly dirty = $derived(this.text !== this.saved);
	readonly #owner: TextOwner;
	/** Given texts are only changed by a newer save. */
	readonly #lock = EditorState.changeFilter.of(() => !this.isGiven);
	#opened = false;
	/** Muted pieces, by their places in `text`; they are always saved. */
	muted = $state.raw<readonly MutablePart[]>([]);
	/** The same by their places in the editor's text, which may be ahead. */
	#mutedAhead: readonly MutablePart[] = [];
	/** Changes of `text` that are being tried: in force, but not made yet. */
	trial = $state.raw<readonly Change[]>([]);
	/**
	 * The text in force, for frames and answers: without muted pieces and with changes being tried; all other places
	 * stay the same.
	 */
	readonly inForce = $derived(
		applyChanges(
			blanked(
				this.text,
				this.muted.map(({ span }) => span)
			),
			this.trial
		)
	);

	/** The text that everything else uses; a moment behind the editor's where it is long. */
	get text(): string {
		return this.#text;
	}

	/** The editor's text, with all that was typed. */
	get latest(): string {
		return this.state.doc.toString();
	}

	/** Whether it is given, and so read-only. */
	get isGiven(): boolean {
		return this.#owner.isGiven();
	}

	/** Updates the text to the editor's. */
	settle(): void {
		clearTimeout(this.#timer);
		this.isBehind = false;
		const text = this.latest;
		if (text === this.#text) return;
		this.#text = text;
		this.muted = this.#mutedAhead;
	}

	#settleSoon(): void {
		const now = performance.now();
		if (!untrack(() => this.isBehind)) this.#behindSince = now;
		this.isBehind = true;
		clearTimeout(this.#timer);
		const left = this.#behindSince + PATIENCE - now;
		this.#timer = setTimeout(() => void this.#settleInSteps(), Math.max(0, Math.min(PAUSE, left)));
	}

	/** Reads the text in pieces, then updates to it, unless more was typed meanwhile. */
	async #settleInSteps(): Promise<void> {
		const { latest } = this;
		await paced(this.#owner.readAhead(latest));
		if (latest !== this.latest) return;
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => this.settle());
	}

	constructor({ path, kind, hash, text, ownLines }: FileRecord, owner: TextOwner) {
		this.path = path;
		this.kind = kind === 'page' ? 'page' : 'sheet';
		this.saved = text ?? '';
		this.base = hash;
		this.ownLines = ownLines;
		this.#owner = owner;
		this.state = EditorState.create({ doc: this.saved, extensions: this.#lock });
		this.#text = this.saved;
	}

	/** Adds the editor's extensions before the text is first shown: a site may have thousands of texts. */
	open(): void {
		if (this.#opened) return;
		this.#opened = true;
		const { doc, selection } = this.state;
		this.state = EditorState.create({
			doc,
			selection,
			extensions: [this.#owner.setup(this.kind, this.path), this.#lock]
		});
	}

	/** Takes over the state that a transaction led to. */
	follow(transactions: readonly Transaction[]): void {
		const last = transactions.at(-1);
		if (!last) return;
		this.state = last.state;
		if (!transactions.some(({ docChanged }) => docChanged)) return;
		for (const { changes } of transactions) {
			this.#mutedAhead = this.#mutedAhead
				.map(({ span, words }) => ({
					words,
					span: { start: changes.mapPos(span.start, 1), end: changes.mapPos(span.end, -1) }
				}))
				.filter(({ span }) => span.start < span.end);
		}
		if (this.trial.length > 0) this.trial = [];
		if (this.state.doc.length > LONG) this.#settleSoon();
		else this.settle();
		this.#owner.changed(this, transactions);
	}

	/** Takes over a transaction that was made outside of the editor. */
	take(transaction: Transaction): void {
		this.follow([transaction]);
		this.settle();
	}

	/** Mutes a piece of the text. */
	mute(piece: MutablePart): void {
		this.settle();
		const within = ({ span }: MutablePart): boolean =>
			piece.span.start <= span.start && span.end <= piece.span.end;
		this.#setMuted([...this.muted.filter((one) => !within(one)), piece]);
	}

	/** Unmutes a piece; all of them where none is given. */
	unmute(piece?: MutablePart): void {
		this.settle();
		this.#setMuted(piece ? this.muted.filter((one) => one !== piece) : []);
	}

	#setMuted(pieces: readonly MutablePart[]): void {
		this.#mutedAhead = pieces;
		this.muted = pieces;
	}

	/** Changes the text from outside the editor. */
	dispatch(spec: TransactionSpec): void {
		this.take(this.state.update(spec));
	}

	/** Takes over its file's present content. */
	nowHolds({ hash, ownLines }: Pick<FileRecord, 'hash' | 'ownLines'>, text: string): void {
		this.saved = text;
		this.base = hash;
		this.ownLines = ownLines;
	}

	/** Replaces the whole text, given or not; not a step of the history where a reload restores the text. */
	replace(text: string, caret = 0, isBroughtBack = false): void {
		this.dispatch({
			changes: inEditor([changeBetween(this.latest, text)]),
			selection: { anchor: Math.min(caret, text.length) },
			filter: false,
			...(isBroughtBack ? { annotations: noStep.of(true) } : {})
		});
	}
}
