import { cascadeOf, type PageCascade } from '../cascade/index.ts';
import { sliceOf, walk } from '../css/index.ts';
import { styleSpans } from '../html/index.ts';
import { compareCuts, NOTHING, type Cut, type IntervalSet } from '../interval/index.ts';
import { bandsOf, type Solver } from '../media/index.ts';
import type { PageModel } from '../page/index.ts';
import { elementsOf } from '../selector/index.ts';
import { propertiesTouched, reachOf, touchedBy } from './touched.ts';

/** A declaration that only exists after an edit. */
export interface WrittenDeclaration {
	readonly property: string;
	readonly value: string;
	readonly important: boolean;
	readonly file: string;
	readonly selectors: readonly string[];
	/** Whether it belongs to a rule, and not only to conditions. */
	readonly isOfRule: boolean;
}

/** What an edit affects on a page: plain values that can be sent between threads. */
export interface EditOnPage {
	/** Whether the page uses a file that was edited, before the edit or after it. */
	readonly concerns: boolean;
	/** The widths at which it can change anything. */
	readonly reach: IntervalSet;
	/** Where bands end, before the edit or after it, ascending. */
	readonly cuts: readonly Cut[];
	/** Properties whose values it can change directly on elements, as declared: including shorthands. */
	readonly properties: readonly string[];
	/** Selectors of elements whose rules it added, removed or moved. */
	readonly selectors: readonly string[];
	/** Whether something else changed that may affect any element: markup, layers, fonts, keyframes, imports. */
	readonly beyond: boolean;
	/** What it added. */
	readonly written: readonly WrittenDeclaration[];
}

/** At-rules around styles, which act as conditions and layers; all others may affect anything. */
const AROUND = new Set(['media', 'supports', 'container', 'layer', 'scope']);

/** The files of a page's sheets, and the page itself. */
const filesOf = ({ path, conditions }: PageModel): Set<string> =>
	new Set([path, ...conditions.places.map(({ file }) => file)]);

/** What in a page's sheets is neither a style nor around one: fonts, keyframes, imports. */
function besides(model: PageModel, files: readonly string[]): string {
	const used = filesOf(model);
	const texts = files.flatMap((file) => {
		const text = used.has(file) ? model.sources.text(file) : undefined;
		if (text === undefined) return [];
		const parts =
			file === model.path ? styleSpans(model.page).map(({ start, end }) => text.slice(start, end)) : [text];
		return parts
			.map(model.sources.sheet)
			.flatMap((sheet) =>
				[...walk(sheet)].flatMap((node) =>
					node.kind === 'at-rule' && !AROUND.has(node.name) ? sliceOf(sheet.source, node.span) : []
				)
			);
	});
	return texts.join('\n');
}

/** A page's source without the contents of its style elements. */
function markupOf(model: PageModel): string {
	let text = model.source;
	for (const { start, end } of styleSpans(model.page).toReversed())
		text = text.slice(0, start) + text.slice(end);
	return text;
}

/** Cuts, each once, ascending. */
export function sortedCuts(cuts: readonly Cut[]): Cut[] {
	const each = new Map(cuts.map((cut) => [`${cut.at.n}/${cut.at.d} ${cut.after}`, cut]));
	return [...each.values()].sort(compareCuts);
}

const cascadeOn = ({ page, path, sources }: PageModel): PageCascade => cascadeOf(page, path, sources);

/** What an edit of some files affects on a page, in the vantage of `solve`. */
export function editOnPage(
	before: PageModel,
	after: PageModel,
	files: readonly string[],
	solve: Solver
): EditOnPage {
	const models = [before, after];
	const cuts = sortedCuts(
		models.flatMap(({ conditions }) => bandsOf(conditions.media, solve).thresholds.map(({ cut }) => cut))
	);
	const concerns = models.map(filesOf).some((used) => files.some((file) => used.has(file)));
	if (!concerns)
		return { concerns, cuts, reach: NOTHING, properties: [], selectors: [], beyond: false, written: [] };
	const beyond = markupOf(before) !== markupOf(after) || besides(before, files) !== besides(after, files);
	const now = cascadeOn(after);
	const touched = touchedBy(cascadeOn(before), now, beyond);
	const selectors = [...touched.before, ...touched.after].flatMap(({ declared }) =>
		declared.selectors.map(elementsOf)
	);
	return {
		concerns,
		cuts,
		reach: reachOf(touched, solve),
		properties: propertiesTouched(touched, now),
		selectors: [...new Set(selectors)],
		beyond: touched.beyond,
		written: touched.after.map(({ property, value, important, declared }) => ({
			property,
			value,
			important,
			file: declared.file,
			selectors: declared.selectors,
			isOfRule: declared.rule !== null
		}))
	};
}
