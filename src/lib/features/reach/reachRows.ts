import type { ElementPath } from '$lib/core/html/index.ts';
import { elementsOf, RUNGS, type Candidate, type Rung } from '$lib/core/selector/index.ts';
import type { Trace } from '$lib/inquiry/trace.ts';
import type { Hits } from '$lib/session/reach.ts';

/** A selector for the selection, with what it matches. */
export interface ReachRow extends Candidate {
	/** The number of elements on the page in the frames. */
	readonly here: number | null | undefined;
	/** Other pages with matches, and the number on each. */
	readonly pages: readonly string[];
}

export interface Reached {
	readonly rows: readonly ReachRow[];
	/** Other pages of the site. */
	readonly others: number;
	/** The rung of the rule at the caret; undefined where that does not match the selection. */
	readonly rung: Rung | undefined;
}

/** How selectors are tried, and where values come from. */
export interface ReachQuestions {
	readonly trace: (path: ElementPath) => Promise<Trace | null>;
	readonly reach: (selectors: readonly string[]) => Promise<Hits>;
	/** Which of the selectors match an element of the lead. */
	readonly matching: (path: ElementPath, selectors: readonly string[]) => Promise<readonly boolean[]>;
}

/**
 * Tries selectors for elements, and the selector at the caret ('' for none). For several elements, only selectors
 * that match them all remain. The rule at the caret is on the rung of its selector, or of one with as many matches.
 */
export async function reached(
	candidates: readonly Candidate[],
	paths: readonly ElementPath[],
	caret: string,
	{ reach, matching }: Pick<ReachQuestions, 'reach' | 'matching'>
): Promise<Reached> {
	const selectors = candidates.map(({ selector }) => elementsOf(selector));
	const asked = caret === '' ? selectors : [...selectors, elementsOf(caret)];
	const [hits, ...matched] = await Promise.all([reach(asked), ...paths.map((one) => matching(one, asked))]);
	const isForAll = (i: number): boolean => matched.every((one) => one[i]);
	const rows = candidates.flatMap((one, i): ReachRow[] => {
		if (paths.length > 1 && (one.rung === 'part' || !isForAll(i))) return [];
		const pages = [...hits.elsewhere].flatMap(([name, counts]) =>
			counts[i] ? [`${name} ${counts[i]}`] : []
		);
		return [{ ...one, here: hits.here[i], pages }];
	});
	const hitsIt = caret !== '' && isForAll(selectors.length);
	const here = hits.here[selectors.length] ?? 0;
	const own = rows.find(({ selector }) => selector === caret)?.rung;
	const like = rows.findLast((row) => row.rung !== 'part' && (row.here ?? 0) >= here)?.rung;
	return { rows, others: hits.elsewhere.size, rung: hitsIt ? (own ?? like) : undefined };
}

/** The best selector on the nearest wider (-1) or narrower (1) rung. */
export function neighbour(rows: readonly ReachRow[], rung: Rung, by: -1 | 1): ReachRow | undefined {
	for (let i = RUNGS.indexOf(rung) + by; i >= 0 && RUNGS[i] !== 'part'; i += by) {
		const found = rows.find((row) => row.rung === RUNGS[i]);
		if (found) return found;
	}
	return undefined;
}
