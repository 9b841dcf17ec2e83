import { figure } from '../box/index.ts';
import { FLAG } from '../snapshot/index.ts';
import { boxEdges, clipOf, has, isPage } from './geometry.ts';
import { NEAR, type Kind } from './kind.ts';

/**
 * More than half of the width of a positioned element lies beyond the left or right edge of its containing block; a
 * smaller overhang is often intended.
 */
export const outside: Kind = {
	name: 'outside',
	title: 'is outside its positioning container',
	severity: 'plain',
	limit: { value: 0, unit: 'px' },
	sentence: ({ name, other, by }) =>
		`${name} lies outside of ${other} that it is placed in: half of it, and ${figure(by)} px more.`,
	read: (snapshot) => {
		const { count, parent } = snapshot;
		return Array.from({ length: count }, (_, element) => element).flatMap((element) => {
			if (!has(snapshot, element, FLAG.absolute) || !has(snapshot, element, FLAG.shown)) return [];
			let other = parent[element] ?? -1;
			while (other > 0 && !has(snapshot, other, FLAG.positioned)) other = parent[other] ?? -1;
			if (other < 0 || isPage(snapshot, other) || has(snapshot, other, FLAG.clips)) return [];
			if (clipOf(snapshot, element) >= 0) return [];
			const [own, around] = [boxEdges(snapshot, element), boxEdges(snapshot, other)];
			const beyond = Math.max(own.right - around.right, around.left - own.left);
			const value = beyond - (own.right - own.left) / 2;
			return value > -NEAR ? [{ element, other, value }] : [];
		});
	}
};
