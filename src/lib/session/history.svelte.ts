import type { Text, Transaction } from '@codemirror/state';
import { errandsBack, type ErrandChange } from '../core/errand/index.ts';
import {
	backwards,
	fits,
	holding,
	NO_HISTORY,
	recorded,
	stepInWords,
	touches,
	type History,
	type MovedFile,
	type Step,
	type TextAfter
} from '../core/history/index.ts';
import { applyChanges, type Edit, type FilePlace } from '../core/text/index.ts';
import { inEditor } from '../writing/working.ts';
import type { HistoryKeeper } from './keptHistory.ts';
import { noStep } from './noStep.ts';
import { notify } from './notices.svelte.ts';
import {
	begun,
	continues,
	madeStep,
	withChange,
	type BesidesTexts,
	type StepInMaking
} from './stepInMaking.ts';
import type { FileText } from './texts.svelte.ts';

/** The last thing done to the texts. */
interface LastDone {
	readonly step: Step;
	/** Whether the step was made, undone or redone. */
	readonly how: 'made' | 'back' | 'again';
	/** Where undoing or redoing it has changed texts and errands: one place for each file, and for each errand. */
	readonly places: readonly FilePlace[];
}

/** What a step can do, or undo, besides changing texts. */
interface DoingBesides {
	/** Renames, deletes or restores a file. */
	move(moved: MovedFile): void;
	/**
	 * Changes the list of errands; returns the places that these concern, or undefined where the list has changed in
	 * another way, and is left unchanged.
	 */
	list(changes: readonly ErrandChange[]): readonly FilePlace[] | undefined;
}

/** Everything done to the texts of a site, step by step, across files. */
export class SiteHistory {
	#history = $state.raw<History>(NO_HISTORY);
	/** The last thing done; null before there is any. */
	last = $state.raw<LastDone | null>(null);
	#making: StepInMaking | null = null;
	/** Whether the step being made takes all changes that come. */
	#isGathering = false;
	readonly #file: (path: string) => FileText | undefined;
	readonly #read: (file: FileText, source: string) => TextAfter;
	readonly #keeper: HistoryKeeper;
	readonly #besides: DoingBesides;
	/** The number of the newest step while it has no words yet, since it may still continue. */
	#unnamed: number | null = null;

	/** `read` returns a text of a file with what is known about it. */
	constructor(
		file: (path: string) => FileText | undefined,
		read: (file: FileText, source: string) => TextAfter,
		keeper: HistoryKeeper,
		besides: DoingBesides
	) {
		this.#file = file;
		this.#read = read;
		this.#keeper = keeper;
		this.#besides = besides;
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
		const changes = transactions.filter((one) => one.docChanged && !one.annotation(noStep));
		for (const one of changes) this.#making = this.#with(file, one);
		if (changes.length > 0 && this.#making && !this.#isGathering) this.#record(this.#making);
	}

	/** The step being made, with one more change; a new step where the change does not belong to it. */
	#with({ path }: FileText, transaction: Transaction): StepInMaking {
		const [making, at] = [this.#making, Date.now()];
		if (making && (this.#isGathering || continues(making, path, transaction, at)))
			return withChange(making, path, transaction, at);
		this.name({ path, text: transaction.startState.doc });
		return withChange(begun(this.#nextNumber()), path, transaction, at);
	}

	#nextNumber(): number {
		return Math.max(0, ...this.steps.map(({ number }) => number)) + 1;
	}

	#record(making: StepInMaking): void {
		const step = madeStep(making);
		this.#unnamed = step.number;
		this.#put(recorded(this.#history, step));
		this.last = { step, how: 'made', places: [] };
	}

	/** Makes everything that `work` does to texts, and `besides`, one step called `words`; returns its number. */
	asOne(words: string, work: () => void, besides: BesidesTexts = {}): number {
		this.name();
		this.#making = begun(this.#nextNumber(), words, besides);
		this.#isGathering = true;
		try {
			work();
		} finally {
			this.#isGathering = false;
		}
		const made = this.#making;
		this.#making = null;
		if (made.files.size > 0 || made.moved || made.errands) this.#record(made);
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
		return this.asOne(sentence, write, moved && { moved });
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

	/** Keeps the part of the history that still holds, and says why a step was left as it is. */
	#refuse(isOutdated: (step: Step) => boolean, sentence: string): false {
		this.#put(holding(this.#history, isOutdated));
		notify(sentence, true);
		return false;
	}

	#do(step: Step, isBack: boolean): boolean {
		this.name();
		this.#making = null;
		const { moved, errands = [] } = step;
		const back = moved && { ...moved, from: moved.to, to: moved.from };
		if (moved && !isBack) this.#besides.move(moved);
		const parts = step.files.map(({ path, replaced }) => ({
			path,
			file: this.#file(path),
			replaced: isBack ? backwards(replaced) : replaced
		}));
		const away = parts.find(({ file, replaced }) => !file || !fits(file.latest, replaced));
		if (away) {
			if (back && !isBack) this.#besides.move(back);
			return this.#refuse(
				touches(new Set([away.path])),
				`${away.path} has changed in another way since this step. The file is left unchanged.`
			);
		}
		const listed = errands.length > 0 ? this.#besides.list(isBack ? errandsBack(errands) : errands) : [];
		if (!listed) {
			return this.#refuse(
				(one) => one.errands !== undefined,
				'The errands have changed in another way since this step. They are left unchanged.'
			);
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
		if (back && isBack) this.#besides.move(back);
		this.#put({ steps: this.steps, made: this.made + (isBack ? -1 : 1) });
		this.last = { step, how: isBack ? 'back' : 'again', places: [...places, ...listed] };
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
