import { LRUCache } from 'lru-cache';

/** How much text may be remembered in all, UTF-16 units: an hour of typing makes hundreds of long ones. */
const MOST_TEXT = 600_000;
/** So many are remembered however long they are: a page has some at once. */
const AT_LEAST = 16;

/** A function that remembers its answers, by a key of what it is given, for the `most` keys asked for last. */
export function rememberedBy<A, X extends NonNullable<unknown>>(
	most: number,
	keyOf: (given: A) => string,
	compute: (given: A) => X
): (given: A) => X {
	// The cache takes room for `most` answers at once, so it is made when it is first needed.
	let known: LRUCache<string, X> | undefined;
	return (given) => {
		known ??= new LRUCache({ max: most });
		const key = keyOf(given);
		let value = known.get(key);
		if (value === undefined) known.set(key, (value = compute(given)));
		return value;
	};
}

/** A function that remembers one answer for each key object, for as long as that object lives. */
export function rememberedWith<A, X extends NonNullable<unknown>>(
	keyOf: (given: A) => WeakKey,
	compute: (given: A) => X
): (given: A) => X {
	const known = new WeakMap<WeakKey, X>();
	return (given) => {
		const key = keyOf(given);
		let value = known.get(key);
		if (value === undefined) known.set(key, (value = compute(given)));
		return value;
	};
}

/** A function that remembers its answers; one that was worked out elsewhere can be put in. */
export interface Remembering<X> {
	(text: string): X;
	readonly knows: (text: string) => boolean;
	readonly put: (text: string, value: X) => void;
}

/** A function that remembers its answers for the `most` texts asked for last, and fewer where they are long. */
export function remembered<X extends NonNullable<unknown>>(
	most: number,
	compute: (text: string) => X
): Remembering<X> {
	const known = new LRUCache<string, X>({
		max: most,
		maxSize: MOST_TEXT,
		sizeCalculation: (_, text) => Math.min(text.length + 1, Math.floor(MOST_TEXT / AT_LEAST))
	});
	const answer = (text: string): X => {
		let value = known.get(text);
		if (value === undefined) known.set(text, (value = compute(text)));
		return value;
	};
	return Object.assign(answer, {
		knows: (text: string) => known.has(text),
		put: (text: string, value: X) => void known.set(text, value)
	});
}

/** A text of its own: a piece that is cut out keeps all of the text that it was cut out of (as V8 has it). */
const copied = (piece: string): string => ` ${piece}`.slice(1);

/**
 * A function that remembers its answers for pieces of texts, those asked for last, up to so much text in all (UTF-16 units);
 * a longer piece is not remembered. An edit of a text leaves most of its pieces as they were.
 */
export function rememberedPieces<X extends NonNullable<unknown>>(
	compute: (piece: string) => X,
	mostText = 1_500_000
): (piece: string) => X {
	const known = new LRUCache<string, X>({
		maxSize: mostText,
		sizeCalculation: (_, piece) => piece.length + 1
	});
	return (piece) => {
		let value = known.get(piece);
		if (value === undefined) {
			const own = copied(piece);
			known.set(own, (value = compute(own)));
		}
		return value;
	};
}
