/** A number of things in words: `1 block`, `3 blocks`. */
export const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;

/** The most frequent of some words, the first of equally frequent ones; undefined where there is none. */
export function mostFrequent<X extends string>(words: Iterable<X>): X | undefined {
	const counts = new Map<X, number>();
	for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1);
	return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}
