/** A function that remembers its answers, by a key of what it is given, for the `most` keys asked for last. */
export function rememberedBy<A, X>(
	most: number,
	keyOf: (asked: A) => string,
	compute: (asked: A) => X
): (asked: A) => X {
	const known = new Map<string, X>();
	return (asked) => {
		const key = keyOf(asked);
		const value = known.has(key) ? (known.get(key) as X) : compute(asked);
		known.delete(key);
		known.set(key, value);
		if (known.size > most) known.delete(known.keys().next().value as string);
		return value;
	};
}
