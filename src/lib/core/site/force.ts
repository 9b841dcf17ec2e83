import { type AtRule, type Block, type Rule, type Sheet, sliceOf, walk, type Span } from '../css/index.ts';
import { EVERYTHING, intersection, NOTHING, union, type IntervalSet } from '../interval/index.ts';
import type { Solver } from '../media/index.ts';
import type { SheetPlace } from './conditions.ts';
import type { Sources } from './sources.ts';

/** A rule or `@media` of a sheet, with the widths at which its content is in force. */
export interface Force {
	/** In the file's text. */
	readonly span: Span;
	readonly widths: IntervalSet;
}

/**
 * The rules and `@media` of one file in source order, each with the widths at which it is in force on a page
 * that has the file in these places: the conditions around each place, and those around the rule. Conditions
 * other than media (`@supports`, `@container`) are assumed to hold.
 */
export function forceOf(
	file: string,
	places: readonly SheetPlace[],
	sources: Sources,
	solve: Solver
): Force[] {
	const found = new Map<number, Force>();
	for (const { file: of, text, offset, within } of places) {
		if (of !== file) continue;
		const around = within.map(({ queries }) => solve(queries)).reduce(intersection, EVERYTHING);
		for (const { span, widths } of forceIn(sources.sheet(text), around, sources, solve)) {
			const start = span.start + offset;
			const before = found.get(start)?.widths;
			found.set(start, {
				span: { start, end: span.end + offset },
				widths: before ? union(before, widths) : widths
			});
		}
	}
	return [...found.values()];
}

/** Whether a browser drops a piece, or what contains it. */
function isDropped(node: Rule | AtRule): boolean {
	for (let at: Block = node; at.kind !== 'sheet'; at = at.parent)
		if (at.kind === 'rule' && at.dropped) return true;
	return false;
}

function forceIn(sheet: Sheet, around: IntervalSet, sources: Sources, solve: Solver): Force[] {
	const join = (outer: IntervalSet, query: string): IntervalSet =>
		intersection(outer, solve(sources.queries(query)));
	return [...conditioned(sheet, around, join)].map(({ node, inside }) => ({
		span: node.span,
		widths: isDropped(node) ? NOTHING : inside
	}));
}

/** A rule or `@media` with the conditions around it, and its own. */
interface Conditioned<X> {
	readonly node: Rule | AtRule;
	readonly around: X;
	readonly inside: X;
}

/**
 * The rules and `@media` of a sheet in source order, with the conditions around and in each: those outside of the
 * sheet, combined with the query of every `@media` around it.
 */
export function* conditioned<X>(
	sheet: Sheet,
	outside: X,
	join: (around: X, query: string) => X
): Generator<Conditioned<X>> {
	const known = new Map<Sheet | Rule | AtRule, X>([[sheet, outside]]);
	for (const node of walk(sheet)) {
		if (node.kind !== 'rule' && node.kind !== 'at-rule') continue;
		const around = known.get(node.parent) ?? outside;
		const media = node.kind === 'at-rule' && node.name === 'media' && node.block;
		const inside = media ? join(around, sliceOf(sheet.source, node.prelude)) : around;
		known.set(node, inside);
		if (node.kind === 'rule' || media) yield { node, around, inside };
	}
}
