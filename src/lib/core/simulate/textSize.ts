import type { Declaration, Rule } from '../css/index.ts';
import { skipSpace, T, textOf, tokensOf, next, type Tokens } from '../css/tokens.ts';
import { applyChanges, type Change } from '../text/index.ts';
import { decimal } from './units.ts';

/** The default text size of engines, px. */
export const USUAL_TEXT = 16;

const KEYWORDS = ['xx-small', 'x-small', 'small', 'medium', 'large', 'x-large', 'xx-large', 'xxx-large'];

/**
 * Px of each size keyword for default text sizes from 9 to 16, and factors for larger ones (CSS Fonts 4 §2.5.1, as in
 * engines).
 */
const TABLE: readonly (readonly number[])[] = [
	[9, 9, 9, 9, 11, 14, 18, 27],
	[9, 9, 9, 10, 12, 15, 20, 30],
	[9, 9, 10, 11, 13, 17, 22, 33],
	[9, 9, 10, 12, 14, 18, 24, 36],
	[9, 10, 12, 13, 16, 20, 26, 39],
	[9, 10, 12, 14, 17, 21, 28, 42],
	[9, 10, 13, 15, 18, 23, 30, 45],
	[9, 10, 13, 16, 18, 24, 32, 48]
];
const FACTORS = [0.6, 0.75, 0.89, 1, 1.2, 1.5, 2, 3];

/** Px of a size keyword at a default text size; undefined for other words. */
export function keywordSize(word: string, size: number): number | undefined {
	const at = KEYWORDS.indexOf(word === 'initial' ? 'medium' : word);
	if (at < 0) return undefined;
	return TABLE[size - 9]?.[at] ?? (FACTORS[at] as number) * size;
}

/** The token of the size in a value of `font-size` or `font`; -1 where there is none. */
function sizeToken(tokens: Tokens): number {
	for (let i = skipSpace(tokens, 0, tokens.count); i < tokens.count; i = next(tokens, i)) {
		const text = textOf(tokens, i).toLowerCase();
		if (tokens.types[i] === T.Percentage || (tokens.types[i] === T.Function && text !== 'var(')) return i;
		if (tokens.types[i] === T.Dimension && !/(deg|grad|rad|turn)$/.test(text)) return i;
		if (tokens.types[i] === T.Ident && keywordSize(text, USUAL_TEXT) !== undefined) return i;
	}
	return -1;
}

/** Changes a size keyword, which engines resolve from their own default text size, to px. */
export function keywordChanges(text: string, offset: number, defaultSize: number): Change[] {
	const tokens = tokensOf(text);
	const at = sizeToken(tokens);
	if (at < 0 || tokens.types[at] !== T.Ident) return [];
	const px = keywordSize(textOf(tokens, at).toLowerCase(), defaultSize);
	if (px === undefined) return [];
	const start = offset + (tokens.starts[at] as number);
	return [{ start, end: offset + (tokens.starts[at + 1] as number), text: `${decimal(px)}px` }];
}

/** The size in a root's font declaration, with the default text size in place of the usual one. */
function rootSize(text: string, defaultSize: number): string | undefined {
	const tokens = tokensOf(text);
	const at = sizeToken(tokens);
	if (at < 0) return undefined;
	const end = next(tokens, at);
	const factor = defaultSize / USUAL_TEXT;
	const changes: Change[] = [];
	for (let i = at; i < end; i++) {
		const [, number, unit] = /^([+-]?(?:\d*\.)?\d+(?:e[+-]?\d+)?)(%|r?em)$/i.exec(textOf(tokens, i)) ?? [];
		if (number === undefined || unit === undefined) continue;
		const size = decimal(Number(number) * factor);
		changes.push({
			start: tokens.starts[i] as number,
			end: tokens.starts[i + 1] as number,
			text: size + unit
		});
	}
	if (changes.length === 0) return undefined;
	const [from, to] = [tokens.starts[at] as number, tokens.starts[end] ?? text.length];
	return applyChanges(text, changes).slice(from, text.length === to ? undefined : to - text.length);
}

/** Selectors of a list that may match a page's root: single compounds that name no other element. */
function rootSelectors(list: string): string[] {
	const tokens = tokensOf(list);
	const found: string[] = [];
	let from = 0;
	for (let i = 0; i <= tokens.count; i = i < tokens.count ? next(tokens, i) : i + 1) {
		if (i < tokens.count && tokens.types[i] !== T.Comma) continue;
		const selector = list.slice(tokens.starts[from], tokens.starts[i]).trim();
		if (/^(html|:root|\*|[.#[:])/i.test(selector) && !/^::|[^\\]::|[\s>+~]/.test(selector))
			found.push(selector);
		from = i + 1;
	}
	return found;
}

/**
 * A rule that repeats a rule's font size for the root alone, where an engine would resolve percentages, `em` and
 * `rem` from its own default text size: `:where(:root)` adds no specificity. Empty where none is needed.
 */
export function rootRule(
	rule: Rule,
	prelude: string,
	declaration: Declaration,
	value: string,
	defaultSize: number
): string {
	const selectors = rule.parent.kind === 'rule' ? [] : rootSelectors(prelude);
	const size = selectors.length > 0 ? rootSize(value, defaultSize) : undefined;
	if (size === undefined) return '';
	const list = selectors.map((selector) => `${selector}:where(:root)`).join(', ');
	return ` ${list} { font-size: ${size}${declaration.important ? ' !important' : ''} }`;
}
