import { compare, rationalFromNumber } from '../interval/index.ts';
import { valueAt } from '../length/index.ts';
import type { Vantage } from '../vantage/index.ts';
import type { Operator } from './feature.ts';
import type { Condition, MediaQuery } from './query.ts';
import { relationOf, standingAlone, type Relation } from './relation.ts';

/** Kleene's three values (Media Queries 4 §3.1). */
type Truth = 'true' | 'false' | 'unknown';

const truth = (holds: boolean): Truth => (holds ? 'true' : 'false');

export const HOLDS: Readonly<Record<Operator, (order: number) => boolean>> = {
	'<': (order) => order < 0,
	'<=': (order) => order <= 0,
	'=': (order) => order === 0,
	'>=': (order) => order >= 0,
	'>': (order) => order > 0
};

function ofRelation(relation: Relation, vantage: Vantage): Truth {
	if (relation.kind === 'unknown') return 'unknown';
	if (relation.kind === 'settled') return truth(relation.holds);
	const width = rationalFromNumber(vantage.width);
	const order = compare(valueAt(relation.left, width), valueAt(relation.right, width));
	return truth(HOLDS[relation.operator](order));
}

/** A condition's truth in one vantage, computed at that vantage's width alone. */
export function evaluateCondition(condition: Condition, vantage: Vantage): Truth {
	switch (condition.kind) {
		case 'unknown':
			return 'unknown';
		case 'not': {
			const of = evaluateCondition(condition.of, vantage);
			return of === 'unknown' ? of : truth(of === 'false');
		}
		case 'feature': {
			const { feature, comparisons } = condition;
			if (comparisons.length === 0) return ofRelation(standingAlone(feature, vantage), vantage);
			return all(comparisons.map((one) => ofRelation(relationOf(feature, one, vantage), vantage)));
		}
		case 'and':
			return all(condition.of.map((part) => evaluateCondition(part, vantage)));
		case 'or': {
			const parts = condition.of.map((part) => evaluateCondition(part, vantage));
			return parts.includes('true') ? 'true' : parts.includes('unknown') ? 'unknown' : 'false';
		}
	}
}

const all = (parts: readonly Truth[]): Truth =>
	parts.includes('false') ? 'false' : parts.includes('unknown') ? 'unknown' : 'true';

/** Whether a media type names a vantage's medium; types deprecated by Media Queries 4 §2.3 never match. */
export const typeMatches = (type: string | null, vantage: Vantage): boolean =>
	type === null || type === 'all' || type === vantage.medium;

function evaluateQuery(query: MediaQuery, vantage: Vantage): boolean {
	const inner: Truth = !typeMatches(query.type, vantage)
		? 'false'
		: query.condition
			? evaluateCondition(query.condition, vantage)
			: 'true';
	return query.negated ? inner === 'false' : inner === 'true';
}

/** Whether a media query list matches a vantage; unknown counts as false (Media Queries 4 §3.1). */
export const evaluate = (list: readonly MediaQuery[], vantage: Vantage): boolean =>
	list.length === 0 || list.some((query) => evaluateQuery(query, vantage));
