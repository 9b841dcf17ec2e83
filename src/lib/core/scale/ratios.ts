/** Ratios that type scales go by, by their usual names in music, ascending. */
export const RATIOS: readonly { readonly name: string; readonly ratio: number }[] = [
	{ name: 'minor second', ratio: 16 / 15 },
	{ name: 'major second', ratio: 9 / 8 },
	{ name: 'minor third', ratio: 6 / 5 },
	{ name: 'major third', ratio: 5 / 4 },
	{ name: 'perfect fourth', ratio: 4 / 3 },
	{ name: 'augmented fourth', ratio: Math.SQRT2 },
	{ name: 'perfect fifth', ratio: 3 / 2 },
	{ name: 'minor sixth', ratio: 8 / 5 },
	{ name: 'golden section', ratio: (1 + Math.sqrt(5)) / 2 },
	{ name: 'major sixth', ratio: 5 / 3 },
	{ name: 'minor seventh', ratio: 16 / 9 },
	{ name: 'major seventh', ratio: 15 / 8 },
	{ name: 'octave', ratio: 2 }
];

/** The name of a ratio, as exact as three places tell it; undefined where it has none. */
export const ratioName = (ratio: number): string | undefined =>
	RATIOS.find((one) => Math.abs(one.ratio - ratio) < 0.0006)?.name;

/** The ratio that a text says: a number, two with a colon or slash between (`4:3`), or a name. */
export function readRatio(text: string): number | undefined {
	const words = text.trim().toLowerCase();
	const named = RATIOS.find(({ name }) => name === words);
	if (named) return named.ratio;
	const [, first, second] = /^(\d+(?:\.\d+)?)\s*(?:[:/]\s*(\d+(?:\.\d+)?))?$/.exec(words) ?? [];
	if (first === undefined) return undefined;
	const ratio = second === undefined ? Number(first) : Number(first) / Number(second);
	return Number.isFinite(ratio) ? ratio : undefined;
}
