/**
 * How many letters must be inserted, removed, changed or swapped with the next to turn one word into another;
 * Infinity where they are more than `most`.
 */
function distance(a: string, b: string, most: number): number {
	let before: number[] = [];
	let row = Array.from({ length: b.length + 1 }, (_, j) => j);
	for (let i = 1; i <= a.length; i++) {
		const next = [i];
		let best = i;
		for (let j = 1; j <= b.length; j++) {
			const same = a[i - 1] === b[j - 1] ? 0 : 1;
			let least = Math.min((row[j] ?? 0) + 1, (next[j - 1] ?? 0) + 1, (row[j - 1] ?? 0) + same);
			if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
				least = Math.min(least, (before[j - 2] ?? 0) + 1);
			next.push(least);
			best = Math.min(best, least);
		}
		// A swap refers to the row before the last, so a distance one above the limit may still come down to it.
		if (best > most + 1) return Infinity;
		before = row;
		row = next;
	}
	const away = row[b.length] ?? Infinity;
	return away <= most ? away : Infinity;
}

/** The word nearest to a misspelt one: at most a third of its letters away; undefined where there is none. */
export function nearest(word: string, words: readonly string[]): string | undefined {
	let best: string | undefined;
	let most = Math.max(1, Math.floor(word.length / 3));
	for (const one of words) {
		if (Math.abs(one.length - word.length) > most) continue;
		const away = distance(word, one, most);
		if (away > most) continue;
		best = one;
		// From now on only nearer ones count.
		most = away - 1;
	}
	return best;
}
