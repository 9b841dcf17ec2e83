import { sliceOf } from '../css/index.ts';
import {
	EVERYTHING,
	intersection,
	isEmpty,
	isEverything,
	printIntervalSet,
	type IntervalSet
} from '../interval/index.ts';
import { asksWidthAlone, type Solver } from '../media/index.ts';
import { lineStarts, placeAt } from '../text/index.ts';
import type { SheetPlace } from './conditions.ts';
import { conditioned } from './force.ts';
import type { Sources } from './sources.ts';

/** The result of an `@media` in words, and where they belong in its file. */
export interface ConditionNote {
	/** The end of the condition, an offset in the file's text. */
	readonly at: number;
	readonly words: string;
	/** True where it can never hold. */
	readonly never: boolean;
}

interface Around {
	readonly widths: IntervalSet;
	readonly widthAlone: boolean;
}

/**
 * The `@media` of one file of a page in source order, each with the widths at which it is in force: "600–<900",
 * "always", "never" with the reason, "same as line 212". What depends on more than the width is given for the
 * solver's vantage. Where a page has a file more than once, the first occurrence counts.
 */
export function conditionNotes(
	file: string,
	places: readonly SheetPlace[],
	sources: Sources,
	solve: Solver
): ConditionNote[] {
	const starts = lineStarts(sources.text(file) ?? '');
	const found = new Map<number, ConditionNote>();
	const firstLine = new Map<string, number>();
	for (const { file: of, text, offset, within } of places) {
		if (of !== file) continue;
		const outside: Around = {
			widths: within.map(({ queries }) => solve(queries)).reduce(intersection, EVERYTHING),
			widthAlone: within.every(({ queries }) => asksWidthAlone(queries))
		};
		const holding = (query: string): Around => {
			const queries = sources.queries(query);
			return { widths: solve(queries), widthAlone: asksWidthAlone(queries) };
		};
		const join = (around: Around, query: string): Around => {
			const own = holding(query);
			return {
				widths: intersection(around.widths, own.widths),
				widthAlone: around.widthAlone && own.widthAlone
			};
		};
		const sheet = sources.sheet(text);
		for (const { node, around, inside } of conditioned(sheet, outside, join)) {
			const at = offset + node.prelude.end;
			if (node.kind === 'rule' || found.has(at)) continue;
			const own = holding(sliceOf(sheet.source, node.prelude));
			const line = placeAt(starts, offset + node.span.start).line;
			found.set(at, { at, ...wordsOf(own, around, inside, line, firstLine) });
		}
	}
	return [...found.values()];
}

function wordsOf(
	own: Around,
	around: Around,
	both: Around,
	line: number,
	firstLine: Map<string, number>
): { words: string; never: boolean } {
	const widths = printIntervalSet(both.widths);
	if (!both.widthAlone) {
		const words = isEmpty(both.widths)
			? 'not in the lead’s vantage'
			: `${isEverything(both.widths) ? 'every width' : widths}, in the lead’s vantage`;
		return { words, never: false };
	}
	if (isEmpty(own.widths)) return { words: 'never: its parts exclude each other', never: true };
	if (isEmpty(both.widths)) {
		return { words: `never: what is around it holds ${printIntervalSet(around.widths)}`, never: true };
	}
	const first = firstLine.get(widths);
	firstLine.set(widths, first ?? line);
	const words = isEverything(both.widths) ? 'always' : widths;
	return { words: first === undefined ? words : `${words}, same as line ${first}`, never: false };
}
