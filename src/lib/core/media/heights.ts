import { rationalFromNumber, subtract, toNumber } from '../interval/index.ts';
import { valueAt, type Form, type Line } from '../length/index.ts';
import { rememberedWith } from '../remember/index.ts';
import { PLAIN, type Vantage } from '../vantage/index.ts';
import { evaluate } from './evaluate.ts';
import type { MediaSite } from './bands.ts';
import type { Condition, MediaQuery } from './query.ts';
import { relationOf } from './relation.ts';

/** A height of the window at which conditions change, at one width. */
export interface HeightThreshold {
	/** CSS px, with fractions where the condition has them. */
	readonly height: number;
	readonly causes: readonly MediaSite[];
}

/** Heights that are tried, CSS px: the least and the greatest that a window can have. */
const [LEAST, GREATEST] = [1, 7680];
/** How far to each side of a height it is asked whether a condition changes there, CSS px. */
const BESIDE = 1 / 128;

const withHeight = (vantage: Vantage, height: number): Vantage => ({ ...vantage, height });

const linesOf = (form: Form): readonly Line[] => (form.kind === 'line' ? [form] : form.of.flatMap(linesOf));

/**
 * The heights at which a comparison turns: what is compared is straight over the height of the window (`height`
 * and lengths of it) or is so once multiplied out (`aspect-ratio`), so that two of its points tell where it is 0.
 */
function turnsOf(condition: Condition, vantage: Vantage): number[] {
	switch (condition.kind) {
		case 'unknown':
			return [];
		case 'not':
			return turnsOf(condition.of, vantage);
		case 'and':
		case 'or':
			return condition.of.flatMap((part) => turnsOf(part, vantage));
		case 'feature':
			return condition.comparisons.flatMap((comparison) => {
				const width = rationalFromNumber(vantage.width);
				/** How far what is compared is from each line of what it is compared with. */
				const gapsAt = (height: number): number[] => {
					const relation = relationOf(condition.feature, comparison, withHeight(vantage, height));
					if (relation.kind !== 'compare') return [];
					const left = valueAt(relation.left, width);
					return linesOf(relation.right).map((right) => toNumber(subtract(left, valueAt(right, width))));
				};
				const high = gapsAt(GREATEST);
				return gapsAt(LEAST).flatMap((low, i) => {
					const way = low - (high[i] ?? low);
					return way === 0 ? [] : [LEAST + ((GREATEST - LEAST) * low) / way];
				});
			});
	}
}

/** Whether any comparison of queries turns at some height: at which may depend on the vantage, whether it does not. */
const haveTurns = rememberedWith(
	(queries: readonly MediaQuery[]) => queries,
	(queries) => turnsOfQueries(queries, PLAIN).length > 0
);

const turnsOfQueries = (queries: readonly MediaQuery[], vantage: Vantage): number[] =>
	queries.flatMap(({ condition }) => (condition ? turnsOf(condition, vantage) : []));

/**
 * The heights at which conditions of a page change (`height`, `aspect-ratio`, `orientation` and their prefixed forms),
 * at a vantage's width and with all else as in it, in order. A condition counts only where those around it hold.
 * Where both halves of a breakpoint meet they are one. Media Queries 4 §4.
 */
export function heightThresholds(sites: readonly MediaSite[], vantage: Vantage): HeightThreshold[] {
	const found = new Map<number, MediaSite[]>();
	for (const site of sites) {
		if (!haveTurns(site.queries)) continue;
		const holds = (height: number): boolean =>
			[site, ...site.within].every(({ queries }) => evaluate(queries, withHeight(vantage, height)));
		const turns = new Set(
			turnsOfQueries(site.queries, vantage).map((height) => Math.round(height * 1e6) / 1e6)
		);
		for (const height of turns) {
			if (height <= LEAST || height >= GREATEST || holds(height - BESIDE) === holds(height + BESIDE))
				continue;
			found.set(height, [...(found.get(height) ?? []), site]);
		}
	}
	return [...found].sort(([a], [b]) => a - b).map(([height, causes]) => ({ height, causes }));
}
