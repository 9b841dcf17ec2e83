import { rememberedBy } from '../remember/index.ts';
import { divide, multiply, rational, ZERO, type Rational } from '../interval/index.ts';
import { T, tokensOf, type Tokens } from '../css/tokens.ts';
import {
	chosenOf,
	inverseOf,
	lineOver,
	productOf,
	restOf,
	roundedTo,
	scaledBy,
	signOf,
	sumOf,
	type Curve,
	type Over
} from './curve.ts';
import { isNought } from './compare.ts';
import { parseExpression, type Expression } from './expression.ts';
import { ABSOLUTE, line, viewportUnit, type ViewportUnit } from './form.ts';

/** What a length depends on, over some widths. */
export interface CurveContext {
	readonly over: Over;
	/** The text size that `em` refers to, and the root's. */
	readonly em: Curve;
	readonly rem: Curve;
	/** What percentages refer to; undefined where only the engine knows. */
	readonly percent?: Curve | undefined;
	/** Heights of the small, the large and the dynamic viewport, CSS px (CSS Values 4 §6.1.2.1). */
	readonly heights: { readonly small: Rational; readonly large: Rational; readonly dynamic: Rational };
}

/** A length or number as a curve; or, in words, why it has none. The engine is asked where it knows. */
export type Curved =
	| { readonly kind: 'curve'; readonly type: 'length' | 'number'; readonly curve: Curve }
	| { readonly kind: 'none'; readonly sentence: string; readonly ask: boolean };

type Typed = Extract<Curved, { kind: 'curve' }>;

const none = (sentence: string, ask = false): Curved => ({ kind: 'none', sentence, ask });
const isNone = (one: Curved): one is Extract<Curved, { kind: 'none' }> => one.kind === 'none';

/** Units that depend on the font, the line or a container, and what they depend on. */
const ASKED: readonly (readonly [RegExp, string])[] = [
	[/^r?(ch|ex|ic|cap)$/, 'the font'],
	[/^r?lh$/, 'the line'],
	[/^cq(w|h|i|b|min|max)$/, 'its container']
];

function dimension(value: Rational, unit: string, context: CurveContext): Curved {
	const length = (curve: Curve): Curved => ({ kind: 'curve', type: 'length', curve });
	const absolute = ABSOLUTE[unit];
	if (absolute) return length(lineOver(context.over, line(multiply(value, absolute))));
	if (unit === 'em') return length(scaledBy(context.em, value));
	if (unit === 'rem') return length(scaledBy(context.rem, value));
	const viewport = viewportUnit(unit);
	if (viewport) return length(ofViewport(value, viewport, context) ?? []);
	const by = ASKED.find(([names]) => names.test(unit))?.[1];
	return by === undefined
		? none(`No length has the unit “${unit}”.`)
		: none(`“${unit}” goes by ${by}: the engine alone knows it.`, true);
}

function ofViewport(value: Rational, { size, axis }: ViewportUnit, context: CurveContext): Curve | undefined {
	const share = divide(value, rational(100));
	const width = lineOver(context.over, line(ZERO, share));
	const height = lineOver(context.over, line(multiply(share, context.heights[size])));
	if (axis === 'width') return width;
	if (axis === 'height') return height;
	return chosenOf((axis === 'min') === value.n >= 0n ? 'min' : 'max', width, height);
}

/** An expression as a curve over widths, exact (CSS Values 4 §10). */
export function curveOf(expression: Expression, context: CurveContext): Curved {
	const still = (value: Rational, type: Typed['type']): Curved => ({
		kind: 'curve',
		type,
		curve: lineOver(context.over, line(value))
	});
	switch (expression.kind) {
		case 'number':
			return still(expression.value, 'number');
		case 'percentage': {
			const { percent } = context;
			if (!percent) return none('A percentage goes by what is around: the engine alone knows it.', true);
			const curve = scaledBy(percent, divide(expression.value, rational(100)));
			return { kind: 'curve', type: 'length', curve };
		}
		case 'dimension':
			return dimension(expression.value, expression.unit, context);
		case 'negate':
		case 'invert':
		case 'sign': {
			const of = curveOf(expression.of, context);
			return isNone(of) ? of : unary(expression.kind, of);
		}
		case 'nan':
		case 'call':
			return none(
				`What \`${expression.kind === 'nan' ? 'NaN' : `${expression.name}()`}\` comes to, the engine alone knows.`,
				true
			);
		default: {
			const parts: Typed[] = [];
			for (const part of expression.of) {
				const one = curveOf(part, context);
				if (isNone(one)) return one;
				parts.push(one);
			}
			return joinedBy(expression, parts);
		}
	}
}

const typed = (type: Typed['type'], curve: Curve | undefined, why: string): Curved =>
	curve ? { kind: 'curve', type, curve } : none(why);

function unary(kind: 'negate' | 'invert' | 'sign', { type, curve }: Typed): Curved {
	if (kind === 'negate') return { kind: 'curve', type, curve: scaledBy(curve, rational(-1)) };
	if (kind === 'sign') return { kind: 'curve', type: 'number', curve: signOf(curve) };
	if (type === 'length') return none('A length cannot be divided by.');
	return typed('number', inverseOf(curve), 'Nothing can be divided by 0.');
}

const TOO_MANY = 'It has more steps than can be told.';
const NO_STEP = 'It has more steps than can be told, or is rounded to 0.';

function joinedBy(
	expression: Exclude<
		Expression,
		| { kind: 'number' | 'percentage' }
		| { kind: 'dimension' | 'nan' | 'call' | 'sign' }
		| { kind: 'negate' | 'invert' }
	>,
	parts: readonly Typed[]
): Curved {
	const { kind } = expression;
	const [first, ...others] = parts;
	if (!first) return none('A function without arguments says nothing.');
	if (kind === 'product') return others.reduce<Curved>(times, first);
	const { type } = first;
	const isZero = ({ type, curve }: Typed): boolean => type === 'number' && isNought(curve);
	const byNumber = kind === 'round' && expression.of[1].kind === 'number';
	if (others.some((one) => one.type !== type)) {
		return none(
			byNumber
				? 'A length is rounded to a length.'
				: others.some(isZero) || isZero(first)
					? 'A length and 0 do not go together in a function: 0 wants a unit.'
					: 'A length and a number cannot be put together.'
		);
	}
	const curves = others.map(({ curve }) => curve);
	const [second = []] = curves;
	switch (kind) {
		case 'sum': {
			const sum = curves.reduce(sumOf, first.curve);
			return typed(type, sum.length > 0 ? sum : undefined, TOO_MANY);
		}
		case 'min':
		case 'max': {
			const chosen = curves.reduce<Curve | undefined>(
				(curve, one) => curve && chosenOf(kind, curve, one),
				first.curve
			);
			return typed(type, chosen, TOO_MANY);
		}
		case 'round':
			return typed(type, roundedTo(expression.how, first.curve, second), NO_STEP);
		case 'mod':
		case 'rem':
			return typed(type, restOf(kind, first.curve, second), NO_STEP);
	}
}

function times(product: Curved, { type, curve }: Typed): Curved {
	if (isNone(product)) return product;
	if (product.type === 'length' && type === 'length') return none('Two lengths cannot be multiplied.');
	const both = product.type === 'length' ? 'length' : type;
	return typed(both, productOf(product.curve, curve), 'What it comes to is no line over width.');
}

/** So many texts are cached: the same few recur for every element and range. */
const MOST_READ = 5000;

/** The expression of a text, or why there is none. */
const expressionIn = rememberedBy(
	MOST_READ,
	(text: string) => text,
	(text): Expression | string => {
		const tokens = tokensOf(text);
		return imbalance(tokens) ?? parseExpression(tokens, 0, tokens.count) ?? `“${text.trim()}” is no length.`;
	}
);

/** A CSS text that should be one length, as a curve. */
export function curveOfText(text: string, context: CurveContext): Curved {
	const expression = expressionIn(text);
	if (typeof expression === 'string') return none(expression);
	const found = curveOf(expression, context);
	if (isNone(found) || found.type === 'length') return found;
	return isNought(found.curve) && expression.kind === 'number'
		? { ...found, type: 'length' }
		: none(`“${text.trim()}” is a number, and a length is wanted.`);
}

/** Which parenthesis is unmatched, in words. */
function imbalance(tokens: Tokens): string | undefined {
	let open = 0;
	for (let i = 0; i < tokens.count; i++) {
		const type = tokens.types[i];
		if (type === T.Function || type === T.LeftParen) open++;
		if (type !== T.RightParen) continue;
		if (open === 0) return `A “)” without its “(” stands at character ${(tokens.starts[i] as number) + 1}.`;
		open--;
	}
	return open > 0 ? `${open === 1 ? 'A “)” is' : `${open} “)” are`} missing at its end.` : undefined;
}
