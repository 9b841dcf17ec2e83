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

/** Typing goes on as one step while no pause between letters is longer than this, ms. */
const PAUSE = 1000;
/** What is typed letter by letter; what is pasted, dropped or completed is a step of its own. */
const TYPED = /^(input|input\.type.*|input\.nudge|input\.indent|delete\.(?!cut).*)$/;

/** One file of the step that is being made: its text before it, and all changes since. */
interface Making {
	readonly before: Text;
	readonly changes: ChangeSet;
}

/** The step that is being made. */
interface Open {
	readonly number: number;
	/** Its words, where whoever makes it has some; else ''. */
	readonly words: string;
	readonly files: ReadonlyMap<string, Making>;
	readonly moved?: MovedFile | undefined;
	/** Where the last change ends up, in its file; typing elsewhere is another step. */
	readonly last: { readonly path: string; readonly from: number; readonly to: number; readonly at: number };
}

/** What was done last to the texts. */
interface LastDone {
	readonly step: Step;
	/** Whether the step was made, taken back, or made again. */
	readonly how: 'made' | 'back' | 'again';
	/** Where texts are others since it was taken back, or made again: a place a file. */
	readonly places: readonly FilePlace[];
}

/** All that is done to the texts of a site, step by step, whichever file it is in. */
export class SiteHistory {
	#history = $state.raw<History>(NO_HISTORY);
	/** The last thing done; null before there is any. */
	last = $state.raw<LastDone | null>(null);
	#open: Open | null = null;
	/** Whether the step that is being made takes all that comes. */
	#isGathering = false;
	readonly #file: (path: string) => FileText | undefined;
	readonly #read: (file: FileText, source: string) => TextAfter;
	readonly #keeper: HistoryKeeper;
	/** Does to a file as a whole what a step did, or is to do. */
	readonly #move: (moved: MovedFile) => void;
	/** The number of the newest step where it does not have its words yet: it may still go on. */
	#unnamed: number | null = null;

	/** `read` gives a text of a file with what is known of it. */
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

	/** All steps, the oldest first; those from `made` on were taken back. */
	get steps(): readonly Step[] {
		return this.#history.steps;
	}

	get made(): number {
		return this.#history.made;
	}

	/** The number of the newest step that is made; undefined where there is none. */
	get newest(): number | undefined {
		return this.steps[this.made - 1]?.number;
	}

	readonly #textOf = (path: string): string | undefined => this.#file(path)?.latest;

	/** Goes on with the history that this tab has kept, as far as it still holds. */
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

	/** Takes in what was done to a file. */
	note(file: FileText, transactions: readonly Transaction[]): void {
		const steps = transactions.filter((one) => one.docChanged && !one.annotation(noStep));
		for (const one of steps) this.#open = this.#with(file, one);
		if (steps.length > 0 && this.#open && !this.#isGathering) this.#record(this.#open);
	}

	/** The step that is being made, with one more change; a new one where the change is no part of that. */
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
			// What is not typed is not gone on with.
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

	/** All that `work` does to texts, and to a file as a whole, is one step, called `words`; gives its number. */
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

	/** Makes an edit, as one step; gives its number. */
	make({ sentence, files }: Edit, moved?: MovedFile): number {
		const write = (): void => {
			for (const { path, changes } of files) {
				if (changes.length > 0)
					this.#file(path)?.dispatch({ changes: inEditor(changes), userEvent: 'input.edit' });
			}
		};
		return this.asOne(sentence, write, moved);
	}

	/** A file's text as it was before what was done last; `text` is what it is now, undefined where it is another. */
	before(path: string, text: string): string | undefined {
		const { step, how } = this.last ?? {};
		const file = step?.files.find((one) => one.path === path);
		if (!file) return text;
		const changes = how === 'back' ? file.replaced : backwards(file.replaced);
		return fits(text, changes) ? applyChanges(text, changes) : undefined;
	}

	/** What was done last, in words; '' where nothing was, or where a step has no words yet. */
	lastInWords(): string {
		if (!this.last) return '';
		const { step, how } = this.last;
		const { words } = this.steps.find(({ number }) => number === step.number) ?? step;
		return how === 'made' ? words : `${how === 'back' ? 'Undone' : 'Redone'}: ${words}`;
	}

	/** Takes the newest step back; false where there is none, or where a text is not as it left it. */
	undo(): boolean {
		const step = this.steps[this.made - 1];
		return step !== undefined && this.#do(step, true);
	}

	/** Makes the step that was taken back last again; false where that cannot be. */
	redo(): boolean {
		const step = this.steps[this.made];
		return step !== undefined && this.#do(step, false);
	}

	/** Takes steps back, or makes them again, until so many are made. */
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

	/** The newest step gets its words, as long as the texts are what it led to; `as` is a file's text as it was then. */
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
