import { figure } from '../box/index.ts';
import { FLAG, isPaintedOver } from '../snapshot/index.ts';
import { boxEdges, has, isAround, isIn, isPage, unclipped } from './geometry.ts';
import type { Kind, Reading } from './kind.ts';
import { APART, over, seenLines } from './line.ts';

/** Text lies under something opaque that is painted later. Fixed elements cover others by design. */
export const covered: Kind = {
	name: 'covered',
	title: 'text is covered',
	severity: 'grave',
	limit: { value: 0, unit: 'px' },
	sentence: ({ name, other, by }) => `${name} lies under ${other}, by ${figure(by)} px.`,
	read: (snapshot) => {
		/** An element in the flow can only cover what is placed below it in the stacking order. */
		const lifted = snapshot.z.some((z) => z < 0) ? ~0 : FLAG.positioned | FLAG.stacks;
		const covers = Array.from({ length: snapshot.count }, (_, i) => i).flatMap((i) => {
			if (!has(snapshot, i, FLAG.opaque) || !has(snapshot, i, FLAG.shown)) return [];
			if (isPage(snapshot, i) || isIn(snapshot, i, FLAG.fixed | FLAG.sticky | FLAG.clear)) return [];
			const box = isIn(snapshot, i, lifted) && unclipped(snapshot, i, boxEdges(snapshot, i));
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
				if (isPaintedOver(snapshot, box.i, line.of))
					found.set(key, { element: line.of, other: box.i, value });
			}
		}
		return [...found.values()];
	}
};
