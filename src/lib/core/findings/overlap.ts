import { figure } from '../box/index.ts';
import { isAround } from './geometry.ts';
import { blockOf } from '../snapshot/index.ts';
import type { Kind, Reading } from './kind.ts';
import { APART, over, seenLines, type Line } from './line.ts';

/** Lines of two elements, neither in the other, overlap. Fixed elements cover others by design. */
export const overlap: Kind = {
	name: 'overlap',
	title: 'texts overlap',
	severity: 'grave',
	limit: { value: 0, unit: 'px' },
	sentence: ({ name, other, by }) => `${name} and ${other} overlap by ${figure(by)} px.`,
	read: (snapshot) => {
		const lines = seenLines(snapshot);
		const blocks = lines.map(({ of }) => blockOf(snapshot, of));
		const found = new Map<string, Reading>();
		lines.forEach((a, i) => {
			for (let n = i + 1; n < lines.length; n++) {
				const b = lines[n] as Line;
				if (b.top > a.bottom + APART) break;
				if (a.of === b.of || a.left > b.right + APART || b.left > a.right + APART) continue;
				const [element, other] = a.of < b.of ? [a.of, b.of] : [b.of, a.of];
				if (isAround(snapshot, element, other)) continue;
				const distance = over(a, b, Math.min(a.bottom - a.top, b.bottom - b.top));
				const key = `${element} ${other}`;
				// Parts of the same lines are next to each other, so their distance means nothing.
				const least = blocks[i] === blocks[n] ? 0 : -APART;
				if (distance > least && distance > Number(found.get(key)?.value ?? -Infinity))
					found.set(key, { element, other, value: distance });
			}
		});
		return [...found.values()];
	}
};
