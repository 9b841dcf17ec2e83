/** Ratios of small whole numbers, and the two irrational ones that scales often use, ascending. */
export const RATIOS: readonly number[] = [
	...[16 / 15, 9 / 8, 6 / 5, 5 / 4, 4 / 3],
	Math.SQRT2,
	...[3 / 2, 8 / 5],
	(1 + Math.sqrt(5)) / 2,
	...[5 / 3, 16 / 9, 15 / 8, 2]
];

/** The ratio in a text: a number, or two with a colon or slash between (`4:3`). */
export function readRatio(text: string): number | undefined {
	const [, first, second] = /^(\d+(?:\.\d+)?)\s*(?:[:/]\s*(\d+(?:\.\d+)?))?$/.exec(text.trim()) ?? [];
	if (first === undefined) return undefined;
	const ratio = second === undefined ? Number(first) : Number(first) / Number(second);
	return Number.isFinite(ratio) ? ratio : undefined;
}
