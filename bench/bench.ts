/** A ratio measured in one run against a baseline named by the bench. */
export interface Bench {
	/** What is measured against what. */
	readonly name: string;
	/** The ratio must be at least, or at most, this. */
	readonly goal: { readonly atLeast: number } | { readonly atMost: number };
	readonly run: () => Promise<number>;
}

export const median = (values: readonly number[]): number => {
	const sorted = [...values].sort((a, b) => a - b);
	return sorted[sorted.length >> 1] ?? NaN;
};

/** The time of one run, ms. */
export function onceOf(work: () => unknown): number {
	const begun = performance.now();
	work();
	return performance.now() - begun;
}

/** The median time of some runs, ms, after runs that warm up. */
export function timeOf(work: () => unknown, runs = 7, warm = 2): number {
	for (let i = 0; i < warm; i++) work();
	return median(Array.from({ length: runs }, () => onceOf(work)));
}
