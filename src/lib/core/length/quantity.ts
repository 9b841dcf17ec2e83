import { add, divide, multiply, negate, ONE, rational, ZERO, type Rational } from '../interval/index.ts';
import { constantCall } from './constantCall.ts';
import { INFINITE, partsOf, type Expression } from './expression.ts';
import {
	ABSOLUTE,
	constantOf,
	line,
	viewportUnit,
	type Form,
	type LengthContext,
	type Quantity
} from './form.ts';

const PERCENT = rational(1, 100);

/** Fonts are unknown here, so `ex` and `ch` take the fallback of half an em (CSS Values 4 §6.1.1). */
const PER_EM: Readonly<Record<string, Rational>> = {
	em: ONE,
	rem: ONE,
	ex: rational(1, 2),
	rex: rational(1, 2),
	ch: rational(1, 2),
	rch: rational(1, 2),
	ic: ONE,
	ric: ONE
};

function unit(value: Rational, name: string, context: LengthContext): Form | undefined {
	const absolute = ABSOLUTE[name];
	if (absolute) return line(multiply(value, absolute));
	const perEm = PER_EM[name];
	if (perEm) return line(multiply(value, multiply(perEm, context.em)));
	// In a query there is no container: its units are those of the small viewport (CSS Containment 3 §6).
	const viewport = viewportUnit(name.replace(/^cq(?=(w|h|i|b|min|max)$)/, 'sv'));
	if (!viewport) return undefined;
	const { size, axis } = viewport;
	const share = multiply(value, PERCENT);
	const ofWidth = line(ZERO, share);
	const ofHeight = line(multiply(share, context.heights[size]));
	if (axis === 'width') return ofWidth;
	if (axis === 'height') return ofHeight;
	return { kind: (axis === 'min') === share.n >= 0n ? 'min' : 'max', of: [ofWidth, ofHeight] };
}

const sumOf = (a: Form, b: Form): Form => {
	if (a.kind !== 'line') return { kind: a.kind, of: a.of.map((part) => sumOf(part, b)) };
	if (b.kind !== 'line') return sumOf(b, a);
	return line(add(a.constant, b.constant), add(a.slope, b.slope));
};

const opposite = { min: 'max', max: 'min' } as const;

const scaled = (form: Form, by: Rational): Form =>
	form.kind === 'line'
		? line(multiply(form.constant, by), multiply(form.slope, by))
		: { kind: by.n < 0n ? opposite[form.kind] : form.kind, of: form.of.map((part) => scaled(part, by)) };

/**
 * An expression as an exact function of width. Undefined where its types do not fit (a number added to a length, a
 * product of lengths), a unit is not a length, or a non-linear function depends on the width: see `curveOf`. Anything
 * with `NaN` in it is 0 (CSS Values 4 §10.9.1).
 */
export function quantity(expression: Expression, context: LengthContext): Quantity | undefined {
	const found = typed(expression, context);
	return found && hasNan(expression) ? { type: found.type, form: line(ZERO) } : found;
}

function typed(expression: Expression, context: LengthContext): Quantity | undefined {
	switch (expression.kind) {
		case 'number':
			return { type: 'number', form: line(expression.value) };
		case 'dimension': {
			const form = unit(expression.value, expression.unit, context);
			return form && { type: 'length', form };
		}
		case 'negate': {
			const of = typed(expression.of, context);
			return of && { type: of.type, form: scaled(of.form, negate(ONE)) };
		}
		case 'invert': {
			const of = typed(expression.of, context);
			const constant = of?.type === 'number' ? constantOf(of.form) : undefined;
			return constant && { type: 'number', form: line(constant.n === 0n ? INFINITE : divide(ONE, constant)) };
		}
		case 'sum':
		case 'product':
		case 'min':
		case 'max': {
			const parts: Quantity[] = [];
			for (const part of expression.of) {
				const value = typed(part, context);
				if (!value) return undefined;
				parts.push(value);
			}
			return expression.kind === 'product' ? productOf(parts) : alike(expression.kind, parts);
		}
		case 'nan':
			return { type: 'number', form: line(ZERO) };
		case 'sign':
		case 'round':
		case 'mod':
		case 'rem':
		case 'call':
			return constantCall(expression, (part) => typed(part, context));
	}
}

const hasNan = (expression: Expression): boolean =>
	[...partsOf(expression)].some(({ kind }) => kind === 'nan');

function alike(kind: 'sum' | 'min' | 'max', parts: readonly Quantity[]): Quantity | undefined {
	const type = parts[0]?.type;
	if (!type || parts.some((part) => part.type !== type)) return undefined;
	const forms = parts.map((part) => part.form);
	return { type, form: kind === 'sum' ? forms.reduce(sumOf) : { kind, of: forms } };
}

function productOf(parts: readonly Quantity[]): Quantity | undefined {
	return parts.reduce<Quantity | undefined>(
		(product, part) => {
			if (!product) return undefined;
			const factor = part.type === 'number' ? constantOf(part.form) : undefined;
			if (factor) return { type: product.type, form: scaled(product.form, factor) };
			const other = product.type === 'number' ? constantOf(product.form) : undefined;
			return other && { type: part.type, form: scaled(part.form, other) };
		},
		{ type: 'number', form: line(ONE) }
	);
}
