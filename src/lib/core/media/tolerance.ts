import {
	ceil,
	compare,
	floor,
	isWhole,
	rational,
	subtract,
	type Cut,
	type Rational
} from '../interval/index.ts';
import { constantOf, quantity, type LengthContext } from '../length/index.ts';
import type { Threshold } from './bands.ts';
import type { Operator } from './feature.ts';
import type { Condition, MediaQuery } from './query.ts';

/**
 * How far apart lengths may be that engines (Blink and others) treat as equal in `<=`, `>=` and `=`, CSS px: one
 * layout unit.
 */
const TOLERANCE = rational(1, 64);

/** Whether a condition compares the width with a length, so that the tolerance applies. */
function compares(
	condition: Condition,
	operators: readonly Operator[],
	at: Rational,
	context: LengthContext
): boolean {
	switch (condition.kind) {
		case 'unknown':
			return false;
		case 'not':
			return compares(condition.of, operators, at, context);
		case 'and':
		case 'or':
			return condition.of.some((part) => compares(part, operators, at, context));
		case 'feature':
			return condition.comparisons.some(({ operator, value }) => {
				if (!operators.includes(operator) || value.kind !== 'length') return false;
				const found = quantity(value.of, context);
				const constant = found && constantOf(found.form);
				return constant !== undefined && compare(constant, at) === 0;
			});
	}
}

/**
 * The whole px that engines put on the other side of a threshold than arithmetic does, because it lies within 1/64 px
 * of it: `(max-width: 639.99px)` holds at 640. Null where there is none. `holds` tells on which side it counts.
 */
export function toleratedPx(
	{ cut, causes }: Threshold,
	context: LengthContext
): { readonly px: number; readonly side: 'under' | 'from' } | null {
	const { at, after }: Cut = cut;
	if (isWhole(at)) return null;
	const px = after ? ceil(at) : floor(at);
	const apart = after ? subtract(rational(px), at) : subtract(at, rational(px));
	if (compare(apart, TOLERANCE) > 0) return null;
	const operators: readonly Operator[] = after ? ['<=', '='] : ['>=', '='];
	const counts = ({ condition }: MediaQuery): boolean =>
		condition !== null && compares(condition, operators, at, context);
	return causes.some(({ queries }) => queries.some(counts))
		? { px: Number(px), side: after ? 'under' : 'from' }
		: null;
}
