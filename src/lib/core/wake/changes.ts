import { findingKey, isPage, LEAST, pathsOf } from '../findings/index.ts';
import { FLAG, type Snapshot } from '../snapshot/index.ts';

/**
 * What was asked about a page's elements: the values of each as one text, and which elements some selectors match.
 */
export interface Values {
	readonly texts: readonly string[];
	readonly hit: Uint8Array;
}

/** The part of a layout that is compared. */
export type Laid = Pick<Snapshot, 'count' | 'tags' | 'parent' | 'boxes' | 'flags'>;

/** A page at a width. */
export interface Seen {
	readonly snapshot: Laid;
	readonly values: Values;
}

/**
 * How an element changed: by a rule that matches it; in a value that is inherited or follows from others; in its
 * size, or its position in its parent; in whether it shows, or exists.
 */
export type Manner = 'own' | 'value' | 'box' | 'shown' | 'there';

const isShown = ({ flags }: Laid, i: number): boolean => ((flags[i] ?? 0) & FLAG.shown) !== 0;

/**
 * Size, and position in the parent's box, CSS px; without the height of the page itself, which follows from its
 * content.
 */
function boxOf(snapshot: Laid, i: number): readonly number[] {
	const { boxes, parent } = snapshot;
	const [left = 0, top = 0, width = 0, height = 0] = boxes.subarray(4 * i);
	const around = Math.max(0, parent[i] ?? 0);
	const own = [left - (boxes[4 * around] ?? 0), top - (boxes[4 * around + 1] ?? 0), width];
	return isPage(snapshot, i) ? own : [...own, height];
}

/**
 * What changed between two layouts of a page at one width: by manner and element (its path), and by how much (px for
 * boxes, otherwise 1). An element that only moves with its parent has not changed.
 */
export function changesIn(before: Seen, after: Seen): Map<string, number> {
	const found = new Map<string, number>();
	const [was, is] = [pathsOf(before.snapshot), pathsOf(after.snapshot)];
	const places = new Map(was.map((path, i) => [`${path} ${before.snapshot.tags[i] ?? ''}`, i]));
	const put = (manner: Manner, path: string, by = 1): void => void found.set(findingKey(manner, path), by);
	const seen = new Set<number>();
	is.forEach((path, i) => {
		const old = places.get(`${path} ${after.snapshot.tags[i] ?? ''}`);
		if (old === undefined) return put('there', path);
		seen.add(old);
		const [showed, shows] = [isShown(before.snapshot, old), isShown(after.snapshot, i)];
		const hit = before.values.hit[old] === 1 || after.values.hit[i] === 1;
		const differs = before.values.texts[old] !== after.values.texts[i];
		if (hit && differs) put('own', path);
		if (showed !== shows) put('shown', path);
		else if (shows) {
			const box = boxOf(after.snapshot, i);
			const by = Math.max(
				...boxOf(before.snapshot, old).map((length, n) => Math.abs(length - (box[n] ?? 0)))
			);
			if (by > LEAST) put('box', path, by);
			else if (differs && !hit) put('value', path);
		}
	});
	was.forEach((path, i) => {
		if (!seen.has(i)) put('there', path);
	});
	return found;
}
