import { LRUCache } from 'lru-cache';

/** How much text may be cached in all, UTF-16 units: an hour of typing produces hundreds of long texts. */
const MOST_TEXT = 600_000;
/** So many are cached however long they are: a page has several at once. */
const AT_LEAST = 16;

/** A function that caches its answers, by a key of its argument, for the `most` keys used last. */
export function rememberedBy<A, X extends NonNullable<unknown>>(
	most: number,
	keyOf: (given: A) => string,
	compute: (given: A) => X
): (given: A) => X {
	// The cache allocates room for `most` answers at once, so it is created on first use.
	let known: LRUCache<string, X> | undefined;
	return (given) => {
		known ??= new LRUCache({ max: most });
		const key = keyOf(given);
		let value = known.get(key);
		if (value === undefined) known.set(key, (value = compute(given)));
		return value;
	};
}

/** A function that caches one answer for each key object, as long as that object lives. */
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

/** A function that caches its answers; answers computed elsewhere can be added. */
export interface Remembering<X> {
	(text: string): X;
	readonly knows: (text: string) => boolean;
	readonly put: (text: string, value: X) => void;
}

/** A function that caches its answers for the `most` texts used last, and for fewer where they are long. */
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

/** A copy of a text: in V8 a slice keeps all of the text that it was cut from. */
const copied = (piece: string): string => ` ${piece}`.slice(1);

/**
 * A function that caches its answers for pieces of texts, those used last, up to so much text in all (UTF-16 units);
 * longer pieces are not cached. An edit of a text leaves most of its pieces unchanged.
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
