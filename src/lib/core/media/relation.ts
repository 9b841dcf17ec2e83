import {
	add,
	multiply,
	negate,
	ONE,
	rational,
	rationalFromNumber,
	type Rational
} from '../interval/index.ts';
import {
	constantOf,
	line,
	quantity,
	type Expression,
	type Form,
	type LengthContext,
	type Line
} from '../length/index.ts';
import { heightsOf, type Vantage } from '../vantage/index.ts';
import type { Operator } from './feature.ts';
import { featureNamed } from './features/index.ts';
import type { Comparison } from './query.ts';

/**
 * A comparison in one vantage: a line over viewport width with a form over it. Or its result is known, or unknown.
 */
export type Relation =
	| { readonly kind: 'compare'; readonly left: Line; readonly operator: Operator; readonly right: Form }
	| { readonly kind: 'settled'; readonly holds: boolean }
	| { readonly kind: 'unknown' };

const UNKNOWN: Relation = { kind: 'unknown' };
const settled = (holds: boolean): Relation => ({ kind: 'settled', holds });

/** What lengths in a media query are relative to in a vantage: the initial values (Media Queries 4 §1.3). */
export function lengthContext(vantage: Vantage): LengthContext {
	const { small, large, dynamic } = heightsOf(vantage);
	return {
		em: rationalFromNumber(vantage.defaultFontSize),
		heights: {
			small: rationalFromNumber(small),
			large: rationalFromNumber(large),
			dynamic: rationalFromNumber(dynamic)
		}
	};
}

/** Whether a feature without a value holds (Media Queries 4 §2.4.2). */
export function standingAlone(name: string, vantage: Vantage): Relation {
	const feature = featureNamed(name);
	const nonZero = (left: Line): Relation => ({
		kind: 'compare',
		left,
		operator: '>',
		right: line(rational(0))
	});
	switch (feature.kind) {
		case 'length':
			return nonZero(feature.actual(vantage));
		case 'ratio':
			return nonZero(feature.actual(vantage).width);
		case 'resolution':
		case 'integer':
			return settled(feature.actual(vantage).n > 0n);
		case 'keyword':
			return settled(feature.holding(vantage).some((keyword) => keyword !== feature.falsy));
		case 'alias':
			return settled(true);
	}
}

/** A feature's comparison in a vantage. */
export function relationOf(name: string, comparison: Comparison, vantage: Vantage): Relation {
	const feature = featureNamed(name);
	const { operator, value } = comparison;
	const context = lengthContext(vantage);
	const compareWith = (left: Line, right: Form | undefined): Relation =>
		right ? { kind: 'compare', left, operator, right } : UNKNOWN;
	switch (feature.kind) {
		case 'length':
			return value.kind === 'length'
				? compareWith(feature.actual(vantage), formOf(value.of, 'length', context))
				: UNKNOWN;
		case 'integer':
			return value.kind === 'integer'
				? compareWith(line(feature.actual(vantage)), formOf(value.of, 'number', context))
				: UNKNOWN;
		case 'resolution': {
			if (value.kind !== 'resolution') return UNKNOWN;
			if (!value.of) return settled(operator === '<' || operator === '<=');
			const dppx = feature.bare ? formOf(value.of, 'number', context) : resolution(value.of);
			return compareWith(line(feature.actual(vantage)), dppx);
		}
		case 'ratio': {
			if (value.kind !== 'ratio') return UNKNOWN;
			const width = constant(value.width, context);
			const height = constant(value.height, context);
			if (!width || !height) return UNKNOWN;
			const actual = feature.actual(vantage);
			return compareWith(times(actual.width, height), times(actual.height, width));
		}
		case 'keyword':
			return value.kind === 'keyword' ? settled(feature.holding(vantage).includes(value.name)) : UNKNOWN;
		case 'alias': {
			const alias = value.kind === 'keyword' ? feature.keywords[value.name] : undefined;
			if (!alias) return UNKNOWN;
			const ratio = {
				kind: 'ratio' as const,
				width: { kind: 'number' as const, value: alias.width },
				height: { kind: 'number' as const, value: alias.height }
			};
			return relationOf(alias.feature, { operator: alias.operator, value: ratio }, vantage);
		}
	}
}

const times = (of: Line, by: Rational): Line => line(multiply(of.constant, by), multiply(of.slope, by));

function formOf(of: Expression, type: 'length' | 'number', context: LengthContext): Form | undefined {
	const found = quantity(of, context);
	return found?.type === type ? found.form : undefined;
}

const constant = (of: Expression, context: LengthContext): Rational | undefined => {
	const form = formOf(of, 'number', context);
	return form && constantOf(form);
};

/** Dppx per unit of resolution (CSS Values 4 §7.4). */
const DPPX: Readonly<Record<string, Rational>> = {
	dppx: ONE,
	x: ONE,
	dpi: rational(1, 96),
	dpcm: rational(254, 9600)
};

/** Resolutions use the same arithmetic as lengths, with dppx instead of px. */
function resolution(of: Expression): Form | undefined {
	const inPx = (expression: Expression): Expression | undefined => {
		switch (expression.kind) {
			case 'number':
				return expression;
			case 'dimension': {
				const factor = DPPX[expression.unit];
				return factor && { kind: 'dimension', value: multiply(expression.value, factor), unit: 'px' };
			}
			case 'negate':
			case 'invert': {
				const part = inPx(expression.of);
				return part && { kind: expression.kind, of: part };
			}
			case 'sum':
			case 'product':
			case 'min':
			case 'max': {
				const parts = expression.of.map(inPx);
				return parts.every((part) => part !== undefined) ? { kind: expression.kind, of: parts } : undefined;
			}
			default:
				return undefined;
		}
	};
	const px = inPx(of);
	return px && formOf(px, 'length', { em: ONE, heights: { small: ONE, large: ONE, dynamic: ONE } });
}

/** left − right as a line, for a right side that is a line. */
export const gap = (left: Line, right: Line): Line =>
	line(add(left.constant, negate(right.constant)), add(left.slope, negate(right.slope)));
