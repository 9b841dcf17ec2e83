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

/** The heights considered, CSS px: the least and the greatest that a window can have. */
const [LEAST, GREATEST] = [1, 7680];
/** How far above and below a height a condition is tested for a change, CSS px. */
const BESIDE = 1 / 128;

const withHeight = (vantage: Vantage, height: number): Vantage => ({ ...vantage, height });

const linesOf = (form: Form): readonly Line[] => (form.kind === 'line' ? [form] : form.of.flatMap(linesOf));

/**
 * The heights at which a comparison changes: what is compared is linear in the window's height (`height` and lengths
 * of it) or becomes so when multiplied out (`aspect-ratio`), so two of its points show where it is 0.
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
				/** How far what is compared is from each line that it is compared with. */
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

/**
 * Whether any comparison in some queries changes at some height: the vantage may decide at which height, but not
 * whether.
 */
const haveTurns = rememberedWith(
	(queries: readonly MediaQuery[]) => queries,
	(queries) => turnsOfQueries(queries, PLAIN).length > 0
);

const turnsOfQueries = (queries: readonly MediaQuery[], vantage: Vantage): number[] =>
	queries.flatMap(({ condition }) => (condition ? turnsOf(condition, vantage) : []));

/**
 * The heights at which conditions of a page change (`height`, `aspect-ratio`, `orientation` and their prefixed
 * forms), at a vantage's width and with everything else as in it, in order. A condition counts only where those
 * around it hold. Two halves of a breakpoint that meet count as one. Media Queries 4 §4.
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
