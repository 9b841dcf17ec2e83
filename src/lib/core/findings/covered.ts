import { figure } from '../box/index.ts';
import { FLAG, type Snapshot } from '../snapshot/index.ts';
import { boxEdges, has, isAround, isIn, isPage, unclipped } from './geometry.ts';
import type { Kind, Reading } from './kind.ts';
import { APART, over, seenLines } from './line.ts';

/** The outermost of an element and what is around it, as far as another ancestor, that is positioned; -1 for none. */
function outermost(snapshot: Snapshot, element: number, within: number): number {
	let found = -1;
	for (let at = element; at > within; at = snapshot.parent[at] ?? -1)
		if (has(snapshot, at, FLAG.positioned)) found = at;
	return found;
}

/** Whether one element is painted over another's text (CSS 2.2, appendix E, for positioned elements and `z-index`). */
function isAbove(snapshot: Snapshot, upper: number, lower: number): boolean {
	let within = Math.min(upper, lower);
	while (!isAround(snapshot, within, upper) || !isAround(snapshot, within, lower))
		within = snapshot.parent[within] ?? -1;
	const [own, other] = [outermost(snapshot, upper, within), outermost(snapshot, lower, within)];
	const [z = 0, under = 0] = [snapshot.z[own], other < 0 ? -0.5 : snapshot.z[other]];
	return own >= 0 && (z > under || (z === under && own > other));
}

/** Text lies under something positioned that lets nothing through. What is fixed lies over all else by design. */
export const covered: Kind = {
	name: 'covered',
	title: 'text lies under something',
	severity: 'grave',
	limit: { value: 0, unit: 'px' },
	sentence: ({ name, other, by }) => `${name} lies under ${other}, by ${figure(by)} px.`,
	read: (snapshot) => {
		const covers = Array.from({ length: snapshot.count }, (_, i) => i).flatMap((i) => {
			if (!has(snapshot, i, FLAG.opaque) || !has(snapshot, i, FLAG.shown)) return [];
			if (isPage(snapshot, i) || isIn(snapshot, i, FLAG.fixed | FLAG.sticky | FLAG.clear)) return [];
			const box = isIn(snapshot, i, FLAG.positioned) && unclipped(snapshot, i, boxEdges(snapshot, i));
			return box ? [{ i, ...box }] : [];
		});
		const found = new Map<string, Reading>();
		if (covers.length === 0) return [];
		for (const line of seenLines(snapshot)) {
			for (const box of covers) {
				const value = over(box, line, line.bottom - line.top);
				if (value <= -APART || isAround(snapshot, box.i, line.of)) continue;
				const key = `${line.of} ${box.i}`;
				if (value <= Number(found.get(key)?.value ?? -Infinity)) continue;
				if (isAbove(snapshot, box.i, line.of)) found.set(key, { element: line.of, other: box.i, value });
			}
		}
		return [...found.values()];
	}
};
