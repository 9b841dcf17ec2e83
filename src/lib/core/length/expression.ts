import { ONE, rationalFromDecimal, ZERO, type Rational } from '../interval/index.ts';
import { isSpace, skipSpace, T, textOf, unescapeCss, type Tokens } from '../css/tokens.ts';

/** Ways of rounding (CSS Values 4 §10.3). */
export type Rounding = 'nearest' | 'up' | 'down' | 'to-zero';

/** Functions of CSS Values 4 §10.5, by name. */
export type Called = 'sqrt' | 'pow' | 'hypot' | 'exp' | 'log';

/** A length or number as written: math functions of CSS Values 4 §10 over numbers, dimensions and percentages. */
export type Expression =
	| { readonly kind: 'number' | 'percentage'; readonly value: Rational }
	| { readonly kind: 'dimension'; readonly value: Rational; readonly unit: string }
	/** `NaN`: the calculation that contains it counts as 0 (CSS Values 4 §10.9.1). */
	| { readonly kind: 'nan' }
	/** Non-linear functions, evaluated for constants only. */
	| { readonly kind: 'call'; readonly name: Called; readonly of: readonly Expression[] }
	| { readonly kind: 'sum' | 'product' | 'min' | 'max'; readonly of: readonly Expression[] }
	| { readonly kind: 'negate' | 'invert'; readonly of: Expression }
	| { readonly kind: 'sign'; readonly of: Expression }
	/** The value to be rounded, and the step. */
	| { readonly kind: 'round'; readonly how: Rounding; readonly of: readonly [Expression, Expression] }
	/**
	 * The remainder of the first after division by the second, with the sign of the second (`mod`) or of the first.
	 */
	| { readonly kind: 'mod' | 'rem'; readonly of: readonly [Expression, Expression] };

/** An expression and all of its parts. */
export function* partsOf(expression: Expression): Generator<Expression> {
	yield expression;
	if (!('of' in expression)) return;
	const { of } = expression;
	if ('kind' in of) yield* partsOf(of);
	else for (const part of of) yield* partsOf(part);
}

/**
 * The expression between two tokens: one number, dimension, percentage or math function (`calc`, `min`, `max`, `clamp`,
 * `round`, `mod`, `rem`, `abs`, `sign`, `sqrt`, `pow`, `hypot`, `exp`, `log`), with nothing but white space around it. Undefined for anything else.
 */
export function parseExpression(tokens: Tokens, from: number, to: number): Expression | undefined {
	const reader = { tokens, at: skipSpace(tokens, from, to), to, depth: 0 };
	const value = operand(reader);
	return value && skipSpace(tokens, reader.at, to) === to ? value : undefined;
}

/** How deeply engines (Blink) read nested math functions and parentheses. */
const DEEPEST = 100;

interface Reader {
	readonly tokens: Tokens;
	readonly to: number;
	at: number;
	/** How many functions and parentheses are open. */
	readonly depth: number;
}

function operand(reader: Reader): Expression | undefined {
	const { tokens, at, to } = reader;
	if (at >= to) return undefined;
	switch (tokens.types[at]) {
		case T.Number: {
			const value = rationalFromDecimal(textOf(tokens, at));
			reader.at++;
			return value && { kind: 'number', value };
		}
		case T.Percentage: {
			const value = rationalFromDecimal(textOf(tokens, at).slice(0, -1));
			reader.at++;
			return value && { kind: 'percentage', value };
		}
		case T.Dimension: {
			const match = /^([+-]?(?:\d*\.)?\d+(?:[eE][+-]?\d+)?)(.+)$/s.exec(textOf(tokens, at));
			const value = match && rationalFromDecimal(match[1] as string);
			reader.at++;
			return value
				? { kind: 'dimension', value, unit: unescapeCss(match[2] as string).toLowerCase() }
				: undefined;
		}
		case T.LeftParen:
		case T.Function:
			return group(reader, unescapeCss(textOf(tokens, at)).toLowerCase());
		case T.Ident:
			if (reader.depth === 0) return undefined;
			reader.at++;
			return constant(unescapeCss(textOf(tokens, at)).toLowerCase());
		default:
			return undefined;
	}
}

/** The largest number of engines, used for infinity (CSS Values 4 §10.9). */
export const INFINITE: Rational = { n: 34n * 10n ** 37n, d: 1n };

/** What a word means in a calculation (CSS Values 4 §10.7.1). */
function constant(word: string): Expression | undefined {
	const number = (value: Rational | undefined): Expression | undefined => value && { kind: 'number', value };
	switch (word) {
		case 'e':
			return number(rationalFromDecimal(String(Math.E)));
		case 'pi':
			return number(rationalFromDecimal(String(Math.PI)));
		case 'infinity':
			return number(INFINITE);
		case '-infinity':
			return number({ n: -INFINITE.n, d: 1n });
		case 'nan':
			return { kind: 'nan' };
		default:
			return undefined;
	}
}

const ROUNDINGS: readonly string[] = ['nearest', 'up', 'down', 'to-zero'] satisfies Rounding[];

/** Reads the strategy at the start of a `round()`; `nearest` where there is none. */
function roundingOf(reader: Reader): Rounding {
	const { tokens, to } = reader;
	const at = skipSpace(tokens, reader.at, to);
	const word = at < to && tokens.types[at] === T.Ident ? textOf(tokens, at).toLowerCase() : '';
	if (!ROUNDINGS.includes(word)) return 'nearest';
	const comma = skipSpace(tokens, at + 1, to);
	if (comma < to && tokens.types[comma] === T.Comma) reader.at = comma + 1;
	return word as Rounding;
}

function group(reader: Reader, name: string): Expression | undefined {
	const { tokens } = reader;
	const close = Math.min(tokens.close[reader.at] as number, reader.to);
	const inner: Reader = { tokens, at: reader.at + 1, to: close, depth: reader.depth + 1 };
	if (inner.depth > DEEPEST) return undefined;
	const how = name === 'round(' ? roundingOf(inner) : 'nearest';
	const args: Expression[] = [];
	for (;;) {
		const value = (name === 'clamp(' && noneAt(inner)) || sum(inner);
		if (!value) return undefined;
		args.push(value);
		inner.at = skipSpace(tokens, inner.at, close);
		if (inner.at >= close) break;
		if (tokens.types[inner.at] !== T.Comma) return undefined;
		inner.at++;
	}
	reader.at = Math.min(close + 1, reader.to);
	return called(name, args, how);
}

/** No least or no greatest value, in `clamp()` (CSS Values 4 §10.2). */
const NONE: Expression = { kind: 'number', value: ZERO };

/** Reads `none`, where it is there. */
function noneAt(reader: Reader): Expression | undefined {
	const at = skipSpace(reader.tokens, reader.at, reader.to);
	if (at >= reader.to || textOf(reader.tokens, at).toLowerCase() !== 'none') return undefined;
	reader.at = at + 1;
	return NONE;
}

const least = (a: Expression, b: Expression): Expression => (a === NONE ? b : { kind: 'max', of: [a, b] });

/** A math function of its arguments; undefined for an unknown name or a wrong number of arguments. */
function called(name: string, args: readonly Expression[], how: Rounding): Expression | undefined {
	const [a, b, c] = args;
	const { length } = args;
	if (!a) return undefined;
	switch (name) {
		case '(':
		case 'calc(':
			return length === 1 ? a : undefined;
		case 'min(':
			return { kind: 'min', of: args };
		case 'max(':
			return { kind: 'max', of: args };
		case 'clamp(':
			if (!b || !c || length !== 3 || b === NONE) return undefined;
			return least(a, c === NONE ? b : { kind: 'min', of: [b, c] });
		case 'abs(':
			return length === 1 ? { kind: 'max', of: [a, { kind: 'negate', of: a }] } : undefined;
		case 'sign(':
			return length === 1 ? { kind: 'sign', of: a } : undefined;
		case 'round(':
			if (length > 2) return undefined;
			return { kind: 'round', how, of: [a, b ?? { kind: 'number', value: ONE }] };
		case 'sqrt(':
		case 'exp(':
			return length === 1 ? { kind: 'call', name: name === 'exp(' ? 'exp' : 'sqrt', of: args } : undefined;
		case 'pow(':
			return length === 2 ? { kind: 'call', name: 'pow', of: args } : undefined;
		case 'log(':
			return length <= 2 ? { kind: 'call', name: 'log', of: args } : undefined;
		case 'hypot(':
			return { kind: 'call', name: 'hypot', of: args };
		case 'mod(':
		case 'rem(':
			return b && length === 2 ? { kind: name === 'mod(' ? 'mod' : 'rem', of: [a, b] } : undefined;
		default:
			return undefined;
	}
}

/** `+` and `-` need white space on both sides (CSS Values 4 §10.1). */
function sum(reader: Reader): Expression | undefined {
	const { tokens } = reader;
	const terms: Expression[] = [];
	let negative = false;
	for (;;) {
		reader.at = skipSpace(tokens, reader.at, reader.to);
		const term = product(reader);
		if (!term) return undefined;
		terms.push(negative ? { kind: 'negate', of: term } : term);
		const sign = skipSpace(tokens, reader.at, reader.to);
		const text = sign < reader.to && tokens.types[sign] === T.Delim ? textOf(tokens, sign) : '';
		if (text !== '+' && text !== '-') break;
		if (!isSpace(tokens, sign - 1) || sign + 1 >= reader.to || !isSpace(tokens, sign + 1)) return undefined;
		negative = text === '-';
		reader.at = sign + 1;
	}
	return terms.length === 1 ? terms[0] : { kind: 'sum', of: terms };
}

function product(reader: Reader): Expression | undefined {
	const { tokens } = reader;
	const factors: Expression[] = [];
	let inverted = false;
	for (;;) {
		reader.at = skipSpace(tokens, reader.at, reader.to);
		const factor = operand(reader);
		if (!factor) return undefined;
		factors.push(inverted ? { kind: 'invert', of: factor } : factor);
		const sign = skipSpace(tokens, reader.at, reader.to);
		const text = sign < reader.to && tokens.types[sign] === T.Delim ? textOf(tokens, sign) : '';
		if (text !== '*' && text !== '/') break;
		inverted = text === '/';
		reader.at = sign + 1;
	}
	return factors.length === 1 ? factors[0] : { kind: 'product', of: factors };
}
