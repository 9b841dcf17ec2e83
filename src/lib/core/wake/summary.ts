import { NOTHING, union, type IntervalSet } from '../interval/index.ts';
import type { Found } from '../sweep/index.ts';
import type { Manner } from './changes.ts';

/** What changed about an element, and at which widths. */
export interface Changed {
	/** Its path, as in addresses. */
	readonly path: string;
	/**
	 * Where it changed because of a rule that matches it, or appeared or disappeared; and where because of another
	 * element.
	 */
	readonly own: IntervalSet;
	readonly moved: IntervalSet;
	/** The largest change of its box, CSS px, and the width of it. */
	readonly by: number;
	readonly worst: number;
}

/** All widths at which any of some elements changed. */
export const allWidths = (changed: readonly Changed[]): IntervalSet =>
	changed.reduce((set, { own, moved }) => union(set, union(own, moved)), NOTHING);

/** What changed, element by element, in the document order of their paths. */
export function changedElements(found: readonly Found[]): Changed[] {
	const all = new Map<string, Changed>();
	for (const { key, widths, by, worst } of found) {
		const [manner = '', path = ''] = key.split(' ') as [Manner, string];
		const known = all.get(path) ?? { path, own: NOTHING, moved: NOTHING, by: 0, worst };
		const follows = manner === 'box' || manner === 'value';
		all.set(path, {
			...known,
			...(follows ? { moved: union(known.moved, widths) } : { own: union(known.own, widths) }),
			...(manner === 'box' ? { by, worst } : {})
		});
	}
	return [...all.values()];
}

/** The outermost of some elements, each with the number of others inside it. */
export function outermost(paths: readonly string[]): { readonly path: string; readonly inside: number }[] {
	const isIn = (inner: string, outer: string): boolean =>
		inner !== outer && (outer === '' || inner.startsWith(`${outer}.`));
	const outer = paths.filter((path) => !paths.some((other) => isIn(path, other)));
	return outer.map((path) => ({ path, inside: paths.filter((other) => isIn(other, path)).length }));
}
