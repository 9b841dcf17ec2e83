import { type ChangeSet, type Text, Transaction } from '@codemirror/state';
import type { Step } from '../core/history/index.ts';
import { replacedBy } from './replaced.ts';

/** Typing continues one step until there is a pause of this length between letters, ms. */
const PAUSE = 1000;
/** What is typed letter by letter; pasting, dropping or completing makes steps of their own. */
const TYPED = /^(input|input\.type.*|input\.nudge|input\.indent|delete\.(?!cut).*)$/;

/** One file of a step: its text before it, and all changes since. */
interface FileInMaking {
	readonly before: Text;
	readonly changes: ChangeSet;
}

/** A step that may still continue. */
export interface StepInMaking extends Pick<Step, 'number' | 'words' | 'moved' | 'errands'> {
	readonly files: ReadonlyMap<string, FileInMaking>;
	/** Where the last change ends, in its file; typing elsewhere makes another step. */
	readonly last: { readonly path: string; readonly from: number; readonly to: number; readonly at: number };
}

/** What a step does besides changing texts: to a file as a whole, and to the list of errands. */
export type BesidesTexts = Pick<Step, 'moved' | 'errands'>;

/** A step that has changed no text so far; `words` are '' where the caller has none. */
export const begun = (number: number, words = '', besides: BesidesTexts = {}): StepInMaking => ({
	number,
	words,
	...besides,
	files: new Map(),
	last: { path: '', from: 0, to: 0, at: -Infinity }
});

const isTyped = (transaction: Transaction): boolean =>
	TYPED.test(transaction.annotation(Transaction.userEvent) ?? '');

interface Span {
	readonly from: number;
	readonly to: number;
}

/** The span that changes cover in the text before them, and in the text after them. */
function covered(changes: ChangeSet): { readonly before: Span; readonly after: Span } {
	let [before, after] = [
		{ from: Infinity, to: 0 },
		{ from: Infinity, to: 0 }
	];
	const wider = ({ from, to }: Span, start: number, end: number): Span => ({
		from: Math.min(from, start),
		to: Math.max(to, end)
	});
	changes.iterChangedRanges((startBefore, endBefore, start, end) => {
		[before, after] = [wider(before, startBefore, endBefore), wider(after, start, end)];
	});
	return { before, after };
}

/** Whether a change of a file continues the typing of a step. */
export function continues(
	{ words, last }: StepInMaking,
	path: string,
	transaction: Transaction,
	at: number
): boolean {
	const { before } = covered(transaction.changes);
	return (
		isTyped(transaction) &&
		words === '' &&
		last.path === path &&
		at - last.at < PAUSE &&
		before.from <= last.to &&
		before.to >= last.from
	);
}

/** A step with one more change of a file, made at `at`, ms since 1970 UTC. */
export function withChange(
	step: StepInMaking,
	path: string,
	transaction: Transaction,
	at: number
): StepInMaking {
	const { changes, startState } = transaction;
	const known = step.files.get(path);
	const file = known
		? { before: known.before, changes: known.changes.compose(changes) }
		: { before: startState.doc, changes };
	return {
		...step,
		files: new Map([...step.files, [path, file]]),
		// Only typing can be continued.
		last: { path, ...covered(changes).after, at: isTyped(transaction) ? at : -Infinity }
	};
}

/** A step for the history. */
export const madeStep = ({ number, words, files, moved, errands }: StepInMaking): Step => ({
	number,
	at: Date.now(),
	words,
	files: [...files].map(([path, { before, changes }]) => ({ path, replaced: replacedBy(before, changes) })),
	moved,
	errands
});
