import { next, skipSpace, T, textOf, tokensOf, unescapeCss, type Tokens } from '../css/tokens.ts';

/** The specificity of a selector: ids; classes, attributes and pseudo-classes; types and pseudo-elements. */
export type Specificity = readonly [ids: number, classes: number, types: number];

const NONE: Specificity = [0, 0, 0];

const add = (a: Specificity, b: Specificity): Specificity => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];

/** Negative where `a` is less specific than `b`, positive where it is more. */
export const compareSpecificity = (a: Specificity, b: Specificity): number =>
	a[0] - b[0] || a[1] - b[1] || a[2] - b[2];

const greatest = (all: readonly Specificity[]): Specificity =>
	all.reduce((most, one) => (compareSpecificity(one, most) > 0 ? one : most), NONE);

/** Pseudo-elements that may be written with one colon (CSS Pseudo-Elements 4 §3). */
export const OLD_PSEUDO_ELEMENTS = new Set(['before', 'after', 'first-line', 'first-letter']);
/** Pseudo-classes that count as their most specific argument (Selectors 4 §17). */
const AS_ARGUMENT = new Set(['is', 'not', 'has', '-webkit-any', '-moz-any']);

/** The specificity of one selector, without top-level commas (Selectors 4 §17). `&` counts nothing. */
export function specificityOf(selector: string): Specificity {
	const tokens = tokensOf(selector);
	return countBetween(tokens, 0, tokens.count);
}

function countBetween(tokens: Tokens, from: number, to: number): Specificity {
	let sum = NONE;
	for (let i = from; i < to; i = next(tokens, i)) {
		const type = tokens.types[i];
		if (type === T.Hash) sum = add(sum, [1, 0, 0]);
		else if (type === T.LeftSquare) sum = add(sum, [0, 1, 0]);
		else if (type === T.Ident) sum = add(sum, isName(tokens, i, to) ? [0, 0, 1] : NONE);
		else if (type === T.Delim && textOf(tokens, i) === '.') {
			sum = add(sum, [0, 1, 0]);
			i++;
		} else if (type === T.Colon) {
			const element = tokens.types[i + 1] === T.Colon;
			const at = element ? i + 2 : i + 1;
			if (at < to) sum = add(sum, ofPseudo(tokens, at, element));
			i = at;
		}
	}
	return sum;
}

/** Whether an identifier is a type, rather than the namespace before a `|`. */
const isName = (tokens: Tokens, i: number, to: number): boolean =>
	!(i + 1 < to && tokens.types[i + 1] === T.Delim && textOf(tokens, i + 1) === '|');

function ofPseudo(tokens: Tokens, at: number, element: boolean): Specificity {
	const isFunction = tokens.types[at] === T.Function;
	const text = textOf(tokens, at);
	const name = unescapeCss(isFunction ? text.slice(0, -1) : text).toLowerCase();
	const close = isFunction ? Math.min(tokens.close[at] as number, tokens.count) : at;
	const argument = (from: number): Specificity => greatest(listBetween(tokens, from, close));
	if (element || OLD_PSEUDO_ELEMENTS.has(name)) {
		return add([0, 0, 1], name === 'slotted' ? argument(at + 1) : NONE);
	}
	if (!isFunction) return [0, 1, 0];
	if (name === 'where') return NONE;
	if (AS_ARGUMENT.has(name)) return argument(at + 1);
	if (name === 'host' || name === 'host-context') return add([0, 1, 0], argument(at + 1));
	if (name === 'nth-child' || name === 'nth-last-child') {
		for (let i = at + 1; i < close; i = next(tokens, i)) {
			if (tokens.types[i] === T.Ident && textOf(tokens, i).toLowerCase() === 'of') {
				return add([0, 1, 0], argument(i + 1));
			}
		}
	}
	return [0, 1, 0];
}

function listBetween(tokens: Tokens, from: number, to: number): Specificity[] {
	const found: Specificity[] = [];
	let start = from;
	for (let i = from; i < to; i = next(tokens, i)) {
		if (tokens.types[i] !== T.Comma) continue;
		found.push(countBetween(tokens, start, i));
		start = i + 1;
	}
	found.push(countBetween(tokens, start, to));
	return found;
}

/** A necessary condition of a selector's last compound, by which elements can be found quickly. */
export interface Key {
	readonly kind: 'id' | 'class' | 'type' | 'any';
	readonly name: string;
}

/**
 * The id, otherwise a class, otherwise the type that an element must have for a selector to match it. Where the last
 * compound has none outside of brackets, any element may match.
 */
export function keyOf(selector: string): Key {
	const tokens = tokensOf(selector);
	let id = '';
	let classed = '';
	let type = '';
	for (let i = 0; i < tokens.count; i = next(tokens, i)) {
		const kind = tokens.types[i];
		const text = textOf(tokens, i);
		if (kind === T.WhiteSpace || (kind === T.Delim && /^[>+~|]$/.test(text))) {
			if (skipSpace(tokens, i, tokens.count) < tokens.count) id = classed = type = '';
		} else if (kind === T.Hash) id = unescapeCss(text.slice(1));
		else if (kind === T.Delim && text === '.') classed = unescapeCss(textOf(tokens, ++i));
		else if (kind === T.Colon) {
			// The name of a pseudo-class or pseudo-element is not a type.
			if (tokens.types[i + 1] === T.Colon) i++;
			if (tokens.types[i + 1] === T.Ident) i++;
		} else if (kind === T.Ident) type = unescapeCss(text).toLowerCase();
	}
	if (id) return { kind: 'id', name: id };
	if (classed) return { kind: 'class', name: classed };
	return type ? { kind: 'type', name: type } : { kind: 'any', name: '' };
}
