import { rememberedWith } from '../remember/index.ts';
import {
	above,
	below,
	complement,
	divide,
	EVERYTHING,
	intersection,
	negate,
	NOTHING,
	sign,
	union,
	type IntervalSet
} from '../interval/index.ts';
import type { Form, Line } from '../length/index.ts';
import type { Vantage } from '../vantage/index.ts';
import { HOLDS, typeMatches } from './evaluate.ts';
import type { Operator } from './feature.ts';
import type { Condition, MediaQuery } from './query.ts';
import { gap, relationOf, standingAlone, type Relation } from './relation.ts';

/** Where a condition is true, and where it is false; elsewhere it is unknown. */
interface Solution {
	readonly yes: IntervalSet;
	readonly no: IntervalSet;
}

const whole = (yes: IntervalSet): Solution => ({ yes, no: complement(yes) });
const NEITHER: Solution = { yes: NOTHING, no: NOTHING };

/** The widths at which `constant + slope × width` is in a relation to 0. */
function lineAgainstZero({ constant, slope }: Line, operator: Operator): IntervalSet {
	if (slope.n === 0n) return HOLDS[operator](sign(constant)) ? EVERYTHING : NOTHING;
	const at = divide(negate(constant), slope);
	const rising = slope.n > 0n;
	const less = (closed: boolean): IntervalSet => below({ at, after: closed });
	const more = (closed: boolean): IntervalSet => above({ at, after: !closed });
	switch (operator) {
		case '<':
			return rising ? less(false) : more(false);
		case '<=':
			return rising ? less(true) : more(true);
		case '>':
			return rising ? more(false) : less(false);
		case '>=':
			return rising ? more(true) : less(true);
		case '=':
			return intersection(less(true), more(true));
	}
}

/** x < min(a, b) means x < a and x < b; x > min(a, b) means x > a or x > b; for max the other way round. */
function compareWidths(left: Line, operator: Operator, right: Form): IntervalSet {
	if (right.kind === 'line') return lineAgainstZero(gap(left, right), operator);
	if (operator === '=') {
		return intersection(compareWidths(left, '<=', right), compareWidths(left, '>=', right));
	}
	const parts = right.of.map((part) => compareWidths(left, operator, part));
	return parts.reduce(operator.startsWith('<') === (right.kind === 'min') ? intersection : union);
}

function ofRelation(relation: Relation): Solution {
	if (relation.kind === 'unknown') return NEITHER;
	if (relation.kind === 'settled') return whole(relation.holds ? EVERYTHING : NOTHING);
	return whole(compareWidths(relation.left, relation.operator, relation.right));
}

const both = (a: Solution, b: Solution): Solution => ({
	yes: intersection(a.yes, b.yes),
	no: union(a.no, b.no)
});
const either = (a: Solution, b: Solution): Solution => ({
	yes: union(a.yes, b.yes),
	no: intersection(a.no, b.no)
});

function solveCondition(condition: Condition, vantage: Vantage): Solution {
	switch (condition.kind) {
		case 'unknown':
			return NEITHER;
		case 'not': {
			const { yes, no } = solveCondition(condition.of, vantage);
			return { yes: no, no: yes };
		}
		case 'feature': {
			const { feature, comparisons } = condition;
			if (comparisons.length === 0) return ofRelation(standingAlone(feature, vantage));
			return comparisons.map((one) => ofRelation(relationOf(feature, one, vantage))).reduce(both);
		}
		case 'and':
			return condition.of.map((part) => solveCondition(part, vantage)).reduce(both);
		case 'or':
			return condition.of.map((part) => solveCondition(part, vantage)).reduce(either);
	}
}

function solveQuery(query: MediaQuery, vantage: Vantage): IntervalSet {
	const inner: Solution = !typeMatches(query.type, vantage)
		? whole(NOTHING)
		: query.condition
			? solveCondition(query.condition, vantage)
			: whole(EVERYTHING);
	return query.negated ? inner.no : inner.yes;
}

/** Solves lists for one vantage, each list once during its lifetime. */
export const solverOf = (vantage: Vantage): ((list: readonly MediaQuery[]) => IntervalSet) =>
	rememberedWith(
		(list) => list,
		(list) => solve(list, vantage)
	);

/**
 * The exact set of viewport widths (CSS px) at which a media query list matches, with everything but the width as in
 * the vantage. An empty list matches at every width.
 */
export const solve = (list: readonly MediaQuery[], vantage: Vantage): IntervalSet =>
	list.length === 0 ? EVERYTHING : list.map((query) => solveQuery(query, vantage)).reduce(union);
