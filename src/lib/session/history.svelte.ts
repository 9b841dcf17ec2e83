import { type ChangeSet, type Text, Transaction } from '@codemirror/state';
import {
	backwards,
	fits,
	holding,
	NO_HISTORY,
	recorded,
	stepInWords,
	type History,
	type MovedFile,
	type Step,
	type TextAfter
} from '../core/history/index.ts';
import { applyChanges, type Edit, type FilePlace } from '../core/text/index.ts';
import { inEditor } from '../writing/working.ts';
import type { HistoryKeeper } from './keptHistory.ts';
import { noStep } from './noStep.ts';
import { replacedBy } from './replaced.ts';
import { notify } from './notices.svelte.ts';
import type { FileText } from './texts.svelte.ts';

/** Typing continues one step until there is a pause of this length between letters, ms. */
const PAUSE = 1000;
/** What is typed letter by letter; pasting, dropping or completing makes steps of their own. */
const TYPED = /^(input|input\.type.*|input\.nudge|input\.indent|delete\.(?!cut).*)$/;

/** One file of the step being made: its text before it, and all changes since. */
interface Making {
	readonly before: Text;
	readonly changes: ChangeSet;
}

/** The step being made. */
interface Open {
	readonly number: number;
	/** Its words, where the caller has some; otherwise ''. */
	readonly words: string;
	readonly files: ReadonlyMap<string, Making>;
	readonly moved?: MovedFile | undefined;
	/** Where the last change ends, in its file; typing elsewhere makes another step. */
	readonly last: { readonly path: string; readonly from: number; readonly to: number; readonly at: number };
}

/** The last thing done to the texts. */
interface LastDone {
	readonly step: Step;
	/** Whether the step was made, undone or redone. */
	readonly how: 'made' | 'back' | 'again';
	/** Where texts have changed by undoing or redoing it: one place per file. */
	readonly places: readonly FilePlace[];
}

/** Everything done to the texts of a site, step by step, across files. */
export class SiteHistory {
	#history = $state.raw<History>(NO_HISTORY);
	/** The last thing done; null before there is any. */
	last = $state.raw<LastDone | null>(null);
	#open: Open | null = null;
	/** Whether the step being made takes all changes that come. */
	#isGathering = false;
	readonly #file: (path: string) => FileText | undefined;
	readonly #read: (file: FileText, source: string) => TextAfter;
	readonly #keeper: HistoryKeeper;
	/** Does or undoes what a step did to a file as a whole. */
	readonly #move: (moved: MovedFile) => void;
	/** The number of the newest step while it has no words yet, since it may still continue. */
	#unnamed: number | null = null;

	/** `read` returns a text of a file with what is known about it. */
	constructor(
		file: (path: string) => FileText | undefined,
		read: (file: FileText, source: string) => TextAfter,
		keeper: HistoryKeeper,
		move: (moved: MovedFile) => void
	) {
		this.#file = file;
		this.#read = read;
		this.#keeper = keeper;
		this.#move = move;
	}

	/** All steps, the oldest first; those from `made` on were undone. */
	get steps(): readonly Step[] {
		return this.#history.steps;
	}

	get made(): number {
		return this.#history.made;
	}

	/** The number of the newest step that is done; undefined where there is none. */
	get newest(): number | undefined {
		return this.steps[this.made - 1]?.number;
	}

	readonly #textOf = (path: string): string | undefined => this.#file(path)?.latest;

	/** Continues the history that this tab has stored, as far as it still applies. */
	resume(): void {
		this.#history = this.#keeper.kept(this.#textOf) ?? NO_HISTORY;
	}

	forget(): void {
		this.#keeper.forget();
	}

	close(): void {
		this.#keeper.close();
	}

	#put(history: History): void {
		this.#history = history;
		this.#keeper.note(() => {
			this.name();
			return this.#history;
		}, this.#textOf);
	}

	/** Records changes of a file. */
	note(file: FileText, transactions: readonly Transaction[]): void {
		const steps = transactions.filter((one) => one.docChanged && !one.annotation(noStep));
		for (const one of steps) this.#open = this.#with(file, one);
		if (steps.length > 0 && this.#open && !this.#isGathering) this.#record(this.#open);
	}

	/** The step being made, with one more change; a new step where the change does not belong to it. */
	#with(file: FileText, transaction: Transaction): Open {
		const { changes, startState } = transaction;
		const { path } = file;
		const at = Date.now();
		let [from, to] = [Infinity, 0];
		let [fromBefore, toBefore] = [Infinity, 0];
		changes.iterChangedRanges((a, b, c, d) => {
			[fromBefore, toBefore] = [Math.min(fromBefore, a), Math.max(toBefore, b)];
			[from, to] = [Math.min(from, c), Math.max(to, d)];
		});
		const open = this.#open;
		const isTyped = TYPED.test(transaction.annotation(Transaction.userEvent) ?? '');
		const goesOn =
			open !== null &&
			(this.#isGathering ||
				(isTyped &&
					open.words === '' &&
					open.last.path === path &&
					at - open.last.at < PAUSE &&
					fromBefore <= open.last.to &&
					toBefore >= open.last.from));
		if (!goesOn) this.name({ path, text: startState.doc });
		const known = goesOn ? open.files.get(path) : undefined;
		const making = known
			? { before: known.before, changes: known.changes.compose(changes) }
			: { before: startState.doc, changes };
		return {
			number: goesOn ? open.number : this.#nextNumber(),
			words: goesOn ? open.words : '',
			moved: goesOn ? open.moved : undefined,
			files: new Map([...(goesOn ? open.files : []), [path, making]]),
			// Only typing can be continued.
			last: { path, from, to, at: isTyped ? at : -Infinity }
		};
	}

	#nextNumber(): number {
		return Math.max(0, ...this.steps.map(({ number }) => number)) + 1;
	}

	#record(open: Open): void {
		const files = [...open.files].map(([path, { before, changes }]) => ({
			path,
			replaced: replacedBy(before, changes)
		}));
		const step = { number: open.number, at: Date.now(), words: open.words, files, moved: open.moved };
		this.#unnamed = step.number;
		this.#put(recorded(this.#history, step));
		this.last = { step, how: 'made', places: [] };
	}

	/**
	 * Makes everything that `work` does to texts, and to a file as a whole, one step called `words`; returns its
	 * number.
	 */
	asOne(words: string, work: () => void, moved?: MovedFile): number {
		this.name();
		this.#open = {
			number: this.#nextNumber(),
			words,
			files: new Map(),
			moved,
			last: { path: '', from: 0, to: 0, at: 0 }
		};
		this.#isGathering = true;
		try {
			work();
		} finally {
			this.#isGathering = false;
		}
		const made = this.#open;
		this.#open = null;
		if (made.files.size > 0 || moved) this.#record(made);
		return made.number;
	}

	/** Makes an edit, as one step; returns its number. */
	make({ sentence, files }: Edit, moved?: MovedFile): number {
		const write = (): void => {
			for (const { path, changes } of files) {
				if (changes.length > 0)
					this.#file(path)?.dispatch({ changes: inEditor(changes), userEvent: 'input.edit' });
			}
		};
		return this.asOne(sentence, write, moved);
	}

	/**
	 * A file's text before the last thing done; `text` is its present text, undefined where that has changed since.
	 */
	before(path: string, text: string): string | undefined {
		const { step, how } = this.last ?? {};
		const file = step?.files.find((one) => one.path === path);
		if (!file) return text;
		const changes = how === 'back' ? file.replaced : backwards(file.replaced);
		return fits(text, changes) ? applyChanges(text, changes) : undefined;
	}

	/** The last thing done, in words; '' where there was nothing, or where a step has no words yet. */
	lastInWords(): string {
		if (!this.last) return '';
		const { step, how } = this.last;
		const { words } = this.steps.find(({ number }) => number === step.number) ?? step;
		return how === 'made' ? words : `${how === 'back' ? 'Undone' : 'Redone'}: ${words}`;
	}

	/** Undoes the newest step; false where there is none, or where a text has changed in another way since. */
	undo(): boolean {
		const step = this.steps[this.made - 1];
		return step !== undefined && this.#do(step, true);
	}

	/** Redoes the step undone last; false where that is impossible. */
	redo(): boolean {
		const step = this.steps[this.made];
		return step !== undefined && this.#do(step, false);
	}

	/** Undoes or redoes steps until so many are done. */
	goTo(made: number): void {
		while (this.made !== made && (this.made > made ? this.undo() : this.redo()));
	}

	#do(step: Step, isBack: boolean): boolean {
		this.name();
		this.#open = null;
		const { moved } = step;
		const back = moved && { ...moved, from: moved.to, to: moved.from };
		if (moved && !isBack) this.#move(moved);
		const parts = step.files.map(({ path, replaced }) => ({
			path,
			file: this.#file(path),
			replaced: isBack ? backwards(replaced) : replaced
		}));
		const away = parts.find(({ file, replaced }) => !file || !fits(file.latest, replaced));
		if (away) {
			if (back && !isBack) this.#move(back);
			this.#put(holding(this.#history, new Set([away.path])));
			notify(`${away.path} has changed in another way since this step. The file is left unchanged.`, true);
			return false;
		}
		const places = parts.map(({ path, replaced: [first] }) => ({
			path,
			offset: (first?.start ?? 0) + (first?.text.length ?? 0),
			aside: true
		}));
		parts.forEach(({ file, replaced }, i) => {
			file?.dispatch({
				changes: inEditor(replaced),
				selection: { anchor: places[i]?.offset ?? 0 },
				annotations: noStep.of(true),
				userEvent: isBack ? 'undo' : 'redo',
				filter: false
			});
		});
		if (back && isBack) this.#move(back);
		this.#put({ steps: this.steps, made: this.made + (isBack ? -1 : 1) });
		this.last = { step, how: isBack ? 'back' : 'again', places };
		return true;
	}

	/** Names the newest step, as long as the texts are what it led to; `as` is a file's text at that time. */
	name(as?: { readonly path: string; readonly text: Text }): void {
		const step = this.steps[this.made - 1];
		if (!step || step.number !== this.#unnamed) return;
		const words = stepInWords(step, (path) => {
			const file = this.#file(path);
			return file && this.#read(file, as?.path === path ? as.text.toString() : file.latest);
		});
		this.#unnamed = null;
		const steps = this.steps.map((one) => (one === step ? { ...one, words } : one));
		this.#history = { steps, made: this.made };
	}
}
