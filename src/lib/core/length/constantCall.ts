import {
	add,
	compare,
	divide,
	floor,
	multiply,
	negate,
	rational,
	rationalFromNumber,
	sign,
	subtract,
	ZERO,
	type Rational
} from '../interval/index.ts';
import type { Called, Expression, Rounding } from './expression.ts';
import { constantOf, line, type Quantity } from './form.ts';

/** A number rounded to a multiple of a step by a strategy (CSS Values 4 §10.3); exact. */
function rounded(how: Rounding, value: Rational, step: Rational): Rational {
	if (step.n === 0n) return ZERO;
	const size = step.n < 0n ? negate(step) : step;
	const below = multiply(rational(floor(divide(value, size))), size);
	if (compare(below, value) === 0) return value;
	const above = add(below, size);
	switch (how) {
		case 'down':
			return below;
		case 'up':
			return above;
		case 'to-zero':
			return sign(value) < 0 ? above : below;
		case 'nearest':
			return compare(subtract(value, below), subtract(above, value)) < 0 ? below : above;
	}
}

/** The remainder after division by a step: with the sign of the step (`mod`), or of the value (`rem`). */
function rest(kind: 'mod' | 'rem', value: Rational, step: Rational): Rational {
	if (step.n === 0n) return ZERO;
	const how = kind === 'rem' ? 'to-zero' : 'down';
	const whole = rational(floor(divide(value, step)));
	return kind === 'mod' ? subtract(value, multiply(step, whole)) : subtract(value, rounded(how, value, step));
}

const FUNCTIONS: Readonly<Record<Called, (...values: number[]) => number>> = {
	sqrt: Math.sqrt,
	pow: (base = 0, power = 0) => base ** power,
	hypot: Math.hypot,
	exp: Math.exp,
	log: (value = 0, base = Math.E) => Math.log(value) / Math.log(base)
};

const number = (value: Rational): number => Number(value.n) / Number(value.d);

/** Limits of numbers, and what NaN becomes (CSS Values 4 §10.9). */
const LARGEST = 3.4e38;
const exact = (value: number): Rational =>
	rationalFromNumber(Number.isNaN(value) ? 0 : Math.min(LARGEST, Math.max(-LARGEST, value)));

/** A non-linear function of constants; undefined where an argument depends on the width, or types do not fit. */
export function constantCall(
	expression: Extract<
		Expression,
		{ kind: 'sign' } | { kind: 'round' } | { kind: 'mod' | 'rem' } | { kind: 'call' }
	>,
	quantityOf: (part: Expression) => Quantity | undefined
): Quantity | undefined {
	const of = expression.kind === 'sign' ? [expression.of] : expression.of;
	const parts: Quantity[] = [];
	const values: Rational[] = [];
	for (const one of of) {
		const part = quantityOf(one);
		const value = part && constantOf(part.form);
		if (!value) return undefined;
		parts.push(part);
		values.push(value);
	}
	const [first, second = ZERO] = values;
	const type = parts[0]?.type;
	if (!first || !type || parts.some((part) => part.type !== type)) return undefined;
	const told = (value: Rational, as = type): Quantity => ({ type: as, form: line(value) });
	switch (expression.kind) {
		case 'sign':
			return told(rational(sign(first)), 'number');
		case 'round':
			return told(rounded(expression.how, first, second));
		case 'mod':
		case 'rem':
			return told(rest(expression.kind, first, second));
		case 'call':
			if (type === 'length' && expression.name !== 'hypot') return undefined;
			return told(exact(FUNCTIONS[expression.name](...values.map(number))));
	}
}
