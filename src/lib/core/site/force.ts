import type { AtRule, Rule, Sheet } from '../css/index.ts';
import { sliceOf, walk, type Span } from '../css/index.ts';
import { EVERYTHING, intersection, NOTHING, union, type IntervalSet } from '../interval/index.ts';
import type { Solver } from '../media/index.ts';
import type { SheetPlace } from './conditions.ts';
import type { Sources } from './sources.ts';

/** A rule or `@media` of a sheet, with the widths at which what stands in it is in force. */
export interface Force {
	/** In the file's text. */
	readonly span: Span;
	readonly widths: IntervalSet;
}

/**
 * The rules and `@media` of one file in source order, each with the widths over which it is in force on a page
 * that has the file in these places: the conditions around each place, and those around the rule. Other
 * conditions than media (`@supports`, `@container`) are taken to hold.
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
			const before = found.get(start)?.widths ?? NOTHING;
			found.set(start, { span: { start, end: span.end + offset }, widths: union(before, widths) });
		}
	}
	return [...found.values()];
}

function forceIn(sheet: Sheet, around: IntervalSet, sources: Sources, solve: Solver): Force[] {
	const inside = new Map<Sheet | Rule | AtRule, IntervalSet>([[sheet, around]]);
	const found: Force[] = [];
	for (const node of walk(sheet)) {
		if (node.kind !== 'rule' && node.kind !== 'at-rule') continue;
		const outer = inside.get(node.parent) ?? around;
		const media = node.kind === 'at-rule' && node.name === 'media' && node.block;
		const widths = media
			? intersection(outer, solve(sources.queries(sliceOf(sheet.source, node.prelude))))
			: outer;
		inside.set(node, widths);
		if (node.kind === 'rule' || media) found.push({ span: node.span, widths });
	}
	return found;
}
