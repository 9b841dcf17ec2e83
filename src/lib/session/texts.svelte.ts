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
 * What a longer text, in UTF-16 units, leads to (parsing, bands, what frames are given) waits for a pause in the
 * typing, so that letters come at once; a shorter one is through with it before the screen's next update.
 */
const LONG = 40_000;
/** The pause, and how long typing without one may put it off, ms. */
const PAUSE = 250;
const PATIENCE = 1200;

/** What an editor needs of a text that is shown in it. */
export type EditorSetup = (kind: FileText['kind'], path: string) => Extension;

/** What the site that a text belongs to does with it. */
interface TextOwner {
	/** The text was changed. */
	readonly changed: (file: FileText, transactions: readonly Transaction[]) => void;
	/** Whether it came with the page and is left alone. */
	readonly isGiven: () => boolean;
	readonly setup: EditorSetup;
	/** Reads what the editor has of it, so that it is read already when it is brought up to that. */
	readonly readAhead: (text: string) => Steps<void>;
}

/** A page's or sheet's text as it is being written; every change is a transaction here. */
export class FileText {
	readonly path: string;
	readonly kind: 'page' | 'sheet';
	state = $state.raw() as EditorState;
	/** The text as saved, and the hash of the file it stands in. */
	saved = $state('');
	base = $state('');
	/** Of a minified sheet as saved, or a page with one, the lines that begin a line of the file, too, from 0; null where every line does. */
	ownLines = $state.raw<readonly number[] | null>(null);
	#text = $state('');
	/** Whether the text is behind the editor's: somebody is typing in a long text. */
	isBehind = $state(false);
	/** Since when it is, ms. */
	#behindSince = 0;
	#timer: ReturnType<typeof setTimeout> | undefined;
	readonly dirty = $derived(this.text !== this.saved);
	readonly #owner: TextOwner;
	/** What is given is changed by nothing but a newer save of it. */
	readonly #lock = EditorState.changeFilter.of(() => !this.isGiven);
	#opened = false;
	/** Pieces that are out of force in the frames, by their places in `text`; never in what is saved. */
	muted = $state.raw<readonly MutablePart[]>([]);
	/** The same by their places in the editor's text, which may be ahead. */
	#mutedAhead: readonly MutablePart[] = [];
	/** Changes of `text` that are tried: in force, and not made yet. */
	trial = $state.raw<readonly Change[]>([]);
	/** The text that frames and answers go by: without what is muted, with what is tried, every other place as it is. */
	readonly inForce = $derived(
		applyChanges(
			blanked(
				this.text,
				this.muted.map(({ span }) => span)
			),
			this.trial
		)
	);

	/** The text that all else goes by; a moment behind the editor's where it is long. */
	get text(): string {
		return this.#text;
	}

	/** The editor's text, with all that was typed. */
	get latest(): string {
		return this.state.doc.toString();
	}

	/** Whether it came with the page and is left alone. */
	get isGiven(): boolean {
		return this.#owner.isGiven();
	}

	/** Brings the text up to the editor's. */
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

	/** Reads the text in pieces, and brings it up to that, unless more was typed meanwhile. */
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

	/** Gives the text what an editor needs, once it is to be shown: a site may have thousands of texts. */
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

	/** Takes over a state that a transaction led to. */
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

	/** Takes a piece of the text out of force. */
	mute(piece: MutablePart): void {
		this.settle();
		const within = ({ span }: MutablePart): boolean =>
			piece.span.start <= span.start && span.end <= piece.span.end;
		this.#setMuted([...this.muted.filter((one) => !within(one)), piece]);
	}

	/** Brings a muted piece back; all of them where none is named. */
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

	/** Takes over what its file holds now. */
	nowHolds({ hash, ownLines }: Pick<FileRecord, 'hash' | 'ownLines'>, text: string): void {
		this.saved = text;
		this.base = hash;
		this.ownLines = ownLines;
	}

	/** Replaces the whole text, given or not; that is no step of its history where a reload brings the text back. */
	replace(text: string, caret = 0, isBroughtBack = false): void {
		this.dispatch({
			changes: inEditor([changeBetween(this.latest, text)]),
			selection: { anchor: Math.min(caret, text.length) },
			filter: false,
			...(isBroughtBack ? { annotations: noStep.of(true) } : {})
		});
	}
}
