/** Something that can be found by its words. */
export interface Findable {
	/** Its main name. */
	readonly name: string;
	/** Words that help to find it, after its name. */
	readonly also?: string;
	/** More lines of words that help to find it, in lower case; they are not shown. */
	readonly words?: readonly string[];
}

/** How well a word of a query fits a text, from 0 (not) to 1 (it is the text). */
function fit(text: string, word: string): number {
	const at = text.indexOf(word);
	if (at < 0) return 0;
	if (text === word) return 1;
	// What begins with a sign for its kind, such as `.sail` or `#top`, also begins with its word.
	const begins = at === 0 || (at === 1 && /^[.#@/]/.test(text));
	const share = word.length / text.length;
	if (begins) return 0.8 + 0.15 * share;
	const startsWord = /[^\p{L}\p{N}]/u.test(text[at - 1] ?? ' ');
	return (startsWord ? 0.55 : 0.25) + 0.15 * share;
}

/** How well a word fits something whose further lines contain it, or a word that begins with it. */
const IN_LINES = 0.35;

/** How well something fits a query: each of its words must occur somewhere. 0 where it does not fit. */
export function fitness({ name, also = '', words: lines = [] }: Findable, query: string): number {
	const [main, rest] = [name.toLowerCase(), also.toLowerCase()];
	const whole = query.trim().toLowerCase();
	const words = whole.split(/\s+/).filter(Boolean);
	if (words.length === 0) return 0;
	let sum = 0;
	for (const word of words) {
		const isIn = lines.some((line) => ` ${line}`.includes(` ${word}`));
		const best = Math.max(fit(main, word), 0.5 * fit(rest, word), isIn ? IN_LINES : 0);
		if (best === 0) return 0;
		sum += best;
	}
	return Math.max(sum / words.length, fit(main, whole));
}

/** What fits a query, best first; equal ones in their given order. Case does not matter. At most `limit`. */
export function ranked<X extends Findable>(items: Iterable<X>, query: string, limit: number): X[] {
	const found: { item: X; score: number }[] = [];
	for (const item of items) {
		const score = fitness(item, query);
		if (score > 0) found.push({ item, score });
	}
	return found
		.sort((a, b) => b.score - a.score)
		.slice(0, limit)
		.map(({ item }) => item);
}
