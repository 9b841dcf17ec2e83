import type { Span } from '../css/node.ts';
import { isSpace, next, skipSpace, T, textOf, tokensOf, unescapeCss, type Tokens } from '../css/tokens.ts';
import { parseExpression } from '../length/index.ts';
import { rational } from '../interval/index.ts';
import type { MediaFeature, Operator } from './feature.ts';
import { FEATURES } from './features/index.ts';
import type { Comparison, Condition, MediaQuery, Value } from './query.ts';

/**
 * A media query list (Media Queries 4 §3). An empty list has no queries and matches everything. A query that does not
 * parse becomes `not all`; what only a later standard could define becomes unknown.
 */
export function parseMediaQueryList(text: string): MediaQuery[] {
	const tokens = tokensOf(text);
	const { count, types } = tokens;
	if (skipSpace(tokens, 0, count) === count) return [];
	const queries: MediaQuery[] = [];
	let from = 0;
	for (let at = 0; at <= count; at = at < count ? next(tokens, at) : at + 1) {
		if (at < count && types[at] !== T.Comma) continue;
		queries.push(query(tokens, from, at));
		from = at + 1;
	}
	return queries;
}

const word = (tokens: Tokens, i: number, end: number): string | undefined =>
	i < end && tokens.types[i] === T.Ident ? unescapeCss(textOf(tokens, i)).toLowerCase() : undefined;

function trimmed(tokens: Tokens, from: number, to: number): Span {
	let a = from;
	let b = to;
	while (a < b && isSpace(tokens, a)) a++;
	while (b > a && isSpace(tokens, b - 1)) b--;
	return { start: tokens.starts[a] as number, end: tokens.starts[b] as number };
}

const RESERVED = new Set(['not', 'only', 'and', 'or', 'layer']);

function query(tokens: Tokens, from: number, to: number): MediaQuery {
	const span = trimmed(tokens, from, to);
	const invalid: MediaQuery = { span, negated: true, type: 'all', condition: null, invalid: true };
	const alone = condition(tokens, from, to, true);
	if (alone) return { span, negated: false, type: null, condition: alone, invalid: false };
	let at = skipSpace(tokens, from, to);
	const first = word(tokens, at, to);
	const prefixed = first === 'not' || first === 'only';
	if (prefixed) at = skipSpace(tokens, at + 1, to);
	const type = word(tokens, at, to);
	if (type === undefined || RESERVED.has(type)) return invalid;
	const whole = { span, negated: first === 'not', type, invalid: false };
	at = skipSpace(tokens, at + 1, to);
	if (at >= to) return { ...whole, condition: null };
	if (word(tokens, at, to) !== 'and') return invalid;
	const rest = condition(tokens, at + 1, to, false);
	return rest ? { ...whole, condition: rest } : invalid;
}

/** How deeply nested conditions are read; deeper ones are unknown. Nobody nests so deep. */
const DEEPEST = 200;

/** `<media-condition>`, or with `or` false `<media-condition-without-or>`, filling all of the tokens. */
function condition(tokens: Tokens, from: number, to: number, or: boolean, depth = 0): Condition | undefined {
	if (depth > DEEPEST) return undefined;
	let at = skipSpace(tokens, from, to);
	if (word(tokens, at, to) === 'not') {
		const inner = inParens(tokens, skipSpace(tokens, at + 1, to), to, depth);
		return inner && skipSpace(tokens, inner.end, to) === to
			? { kind: 'not', of: inner.condition }
			: undefined;
	}
	const parts: Condition[] = [];
	let joint: string | undefined;
	for (;;) {
		const part = inParens(tokens, at, to, depth);
		if (!part) return undefined;
		parts.push(part.condition);
		at = skipSpace(tokens, part.end, to);
		if (at >= to) break;
		const joiner = word(tokens, at, to);
		if (joiner !== 'and' && !(joiner === 'or' && or)) return undefined;
		if (joint !== undefined && joint !== joiner) return undefined;
		joint = joiner;
		at = skipSpace(tokens, at + 1, to);
	}
	if (parts.length === 1) return parts[0];
	return { kind: joint === 'or' ? 'or' : 'and', of: parts };
}

/** `<media-in-parens>`: a condition in parentheses, a feature, or `<general-enclosed>`. */
function inParens(
	tokens: Tokens,
	at: number,
	to: number,
	depth: number
): { condition: Condition; end: number } | undefined {
	if (at >= to) return undefined;
	const type = tokens.types[at];
	if (type !== T.LeftParen && type !== T.Function) return undefined;
	const close = tokens.close[at] as number;
	const end = Math.min(close + 1, to);
	const inner = Math.min(close, to);
	const span = { start: tokens.starts[at] as number, end: tokens.starts[end] as number };
	if (type === T.LeftParen) {
		const nested = condition(tokens, at + 1, inner, true, depth + 1) ?? feature(tokens, at + 1, inner, span);
		if (nested) return { condition: nested, end };
	}
	return isAnyValue(tokens, at + 1, inner) ? { condition: { kind: 'unknown', span }, end } : undefined;
}

/** `<any-value>` (CSS Syntax 3 §8.2): no bad tokens, no closing token without its opening one. */
function isAnyValue(tokens: Tokens, from: number, to: number): boolean {
	const expected = new Set<number>();
	for (let i = from; i < to; i++) {
		const type = tokens.types[i];
		if (type === T.BadString || type === T.BadUrl) return false;
		const closes = type === T.RightParen || type === T.RightSquare || type === T.RightCurly;
		if (closes && !expected.has(i)) return false;
		expected.add(tokens.close[i] as number);
	}
	return true;
}

function feature(tokens: Tokens, from: number, to: number, span: Span): Condition | undefined {
	const first = skipSpace(tokens, from, to);
	const name = word(tokens, first, to);
	const after = skipSpace(tokens, first + 1, to);
	if (name !== undefined && after >= to) {
		const alone = FEATURES.get(name);
		return alone && { kind: 'feature', feature: alone.name, comparisons: [], span };
	}
	if (name !== undefined && tokens.types[after] === T.Colon) {
		const found = prefixed(name);
		const value = found && parseValue(found.feature, tokens, after + 1, to);
		return (
			value && {
				kind: 'feature',
				feature: found.feature.name,
				comparisons: [{ operator: found.operator, value }],
				span
			}
		);
	}
	return range(tokens, from, to, span);
}

const isRanged = (found: MediaFeature): boolean =>
	found.kind === 'integer' ? found.ranged : found.kind !== 'keyword' && found.kind !== 'alias';

/** A feature by name, which may have the prefix `min-` or `max-` (after `-webkit-` too). */
function prefixed(name: string): { feature: MediaFeature; operator: Operator } | undefined {
	const plain = FEATURES.get(name);
	if (plain) return { feature: plain, operator: '=' };
	const match = /^(-webkit-)?(min|max)-(.+)$/.exec(name);
	const found = match && FEATURES.get((match[1] ?? '') + (match[3] as string));
	if (!found || !isRanged(found)) return undefined;
	return { feature: found, operator: match[2] === 'min' ? '>=' : '<=' };
}

const REVERSED: Readonly<Record<Operator, Operator>> = {
	'<': '>',
	'<=': '>=',
	'=': '=',
	'>=': '<=',
	'>': '<'
};

interface Sign {
	readonly operator: Operator;
	readonly start: number;
	readonly end: number;
}

function signs(tokens: Tokens, from: number, to: number): Sign[] {
	const found: Sign[] = [];
	for (let at = from; at < to; at = next(tokens, at)) {
		if (tokens.types[at] !== T.Delim) continue;
		const text = textOf(tokens, at);
		if (text !== '<' && text !== '>' && text !== '=') continue;
		// A comment does not separate tokens.
		let second = at + 1;
		while (second < to && tokens.types[second] === T.Comment) second++;
		const joined =
			text !== '=' && second < to && tokens.types[second] === T.Delim && textOf(tokens, second) === '=';
		found.push({
			operator: (joined ? `${text}=` : text) as Operator,
			start: at,
			end: joined ? second + 1 : at + 1
		});
		if (joined) at = second;
	}
	return found;
}

/** `<mf-range>`: name first, value first, or a name between two values. */
function range(tokens: Tokens, from: number, to: number, span: Span): Condition | undefined {
	const [one, two, more] = signs(tokens, from, to);
	if (!one || more) return undefined;
	const named = (a: number, b: number): MediaFeature | undefined => {
		const at = skipSpace(tokens, a, b);
		const found = skipSpace(tokens, at + 1, b) === b ? FEATURES.get(word(tokens, at, b) ?? '') : undefined;
		return found && isRanged(found) && !found.name.startsWith('-webkit-') ? found : undefined;
	};
	const build = (found: MediaFeature, ...parts: (Comparison | undefined)[]): Condition | undefined =>
		parts.every((part) => part !== undefined)
			? { kind: 'feature', feature: found.name, comparisons: parts, span }
			: undefined;
	const comparison = (
		found: MediaFeature,
		operator: Operator,
		a: number,
		b: number
	): Comparison | undefined => {
		const value = parseValue(found, tokens, a, b);
		return value && { operator, value };
	};
	if (two) {
		const found = named(one.end, two.start);
		if (!found || one.operator === '=' || one.operator[0] !== two.operator[0]) return undefined;
		return build(
			found,
			comparison(found, REVERSED[one.operator], from, one.start),
			comparison(found, two.operator, two.end, to)
		);
	}
	const left = named(from, one.start);
	if (left) return build(left, comparison(left, one.operator, one.end, to));
	const right = named(one.end, to);
	return right && build(right, comparison(right, REVERSED[one.operator], from, one.start));
}

function parseValue(found: MediaFeature, tokens: Tokens, from: number, to: number): Value | undefined {
	if (found.kind === 'keyword' || found.kind === 'alias') {
		const at = skipSpace(tokens, from, to);
		const name = word(tokens, at, to);
		if (name === undefined || skipSpace(tokens, at + 1, to) !== to) return undefined;
		const known =
			found.kind === 'keyword' ? found.keywords.includes(name) : Object.hasOwn(found.keywords, name);
		return known ? { kind: 'keyword', name } : undefined;
	}
	if (found.kind === 'ratio') return ratio(tokens, from, to);
	const of = parseExpression(tokens, from, to);
	if (found.kind === 'resolution' && !of) {
		const at = skipSpace(tokens, from, to);
		return word(tokens, at, to) === 'infinite' && skipSpace(tokens, at + 1, to) === to
			? { kind: 'resolution', of: null }
			: undefined;
	}
	if (!of) return undefined;
	switch (found.kind) {
		case 'length':
			if (of.kind === 'number' && of.value.n !== 0n) return undefined;
			return {
				kind: 'length',
				of: of.kind === 'number' ? { kind: 'dimension', value: of.value, unit: 'px' } : of
			};
		case 'integer':
			return of.kind === 'number' && of.value.d !== 1n ? undefined : { kind: 'integer', of };
		case 'resolution':
			if (found.bare) return of.kind === 'dimension' ? undefined : { kind: 'resolution', of };
			if (of.kind === 'number' || (of.kind === 'dimension' && !/^(dpi|dpcm|dppx|x)$/.test(of.unit)))
				return undefined;
			return of.kind === 'dimension' && of.value.n < 0n ? undefined : { kind: 'resolution', of };
	}
}

/** `<ratio>` (CSS Values 4 §5.5): one number, or two with a slash between; none negative. */
function ratio(tokens: Tokens, from: number, to: number): Value | undefined {
	let slash = -1;
	for (let at = from; at < to; at = next(tokens, at)) {
		if (tokens.types[at] === T.Delim && textOf(tokens, at) === '/') slash = at;
	}
	const width = parseExpression(tokens, from, slash === -1 ? to : slash);
	const height =
		slash === -1 ? { kind: 'number' as const, value: rational(1) } : parseExpression(tokens, slash + 1, to);
	if (!width || !height) return undefined;
	for (const part of [width, height]) {
		if (part.kind === 'dimension' || (part.kind === 'number' && part.value.n < 0n)) return undefined;
	}
	return { kind: 'ratio', width, height };
}
