/** How many letters must be put in, left out, changed or swapped with the next to make one word of another. */
function distance(a: string, b: string): number {
	const rows: number[][] = [Array.from({ length: b.length + 1 }, (_, j) => j)];
	const at = (i: number, j: number): number => rows[i]?.[j] ?? Infinity;
	for (let i = 1; i <= a.length; i++) {
		const row = [i];
		rows.push(row);
		for (let j = 1; j <= b.length; j++) {
			const same = a[i - 1] === b[j - 1] ? 0 : 1;
			let least = Math.min(at(i - 1, j) + 1, at(i, j - 1) + 1, at(i - 1, j - 1) + same);
			if (a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) least = Math.min(least, at(i - 2, j - 2) + 1);
			row.push(least);
		}
	}
	return at(a.length, b.length);
}

/** The word nearest to one that is misspelt: at most a third of its letters away; undefined where none is. */
export function nearest(word: string, words: readonly string[]): string | undefined {
	const most = Math.max(1, Math.floor(word.length / 3));
	let best: { word: string; away: number } | undefined;
	for (const one of words) {
		if (Math.abs(one.length - word.length) > most) continue;
		const away = distance(word, one);
		if (away <= most && (!best || away < best.away)) best = { word: one, away };
	}
	return best?.word;
}
