import { sliceOf, type Rule } from '../css/index.ts';
import { rememberedPieces } from '../remember/index.ts';
import { next, T, textOf, tokensOf, type Tokens } from '../css/tokens.ts';

/** The parts of a selector list, separated by commas, without the white space around them. */
export const selectorsIn = rememberedPieces(partsOf);

function partsOf(list: string): readonly string[] {
	const tokens = tokensOf(list);
	const found: string[] = [];
	let from = 0;
	for (let i = 0; i < tokens.count; i = next(tokens, i)) {
		if (tokens.types[i] !== T.Comma) continue;
		found.push(list.slice(from, tokens.starts[i]));
		from = tokens.starts[i + 1] as number;
	}
	found.push(list.slice(from));
	return found.map((one) => one.trim()).filter(Boolean);
}

const isNesting = (tokens: Tokens, i: number): boolean =>
	tokens.types[i] === T.Delim && textOf(tokens, i) === '&';

/** A selector with each `&` replaced by another; unchanged where it has none. */
export function withParent(selector: string, parent: string): string {
	if (!selector.includes('&')) return selector;
	const tokens = tokensOf(selector);
	let text = '';
	for (let i = 0; i < tokens.count; i++) text += isNesting(tokens, i) ? parent : textOf(tokens, i);
	return text;
}

/** One selector of a nested rule, with `&` replaced by its parent selector (CSS Nesting 1 §3). */
function within(selector: string, around: string): string {
	const placed = withParent(selector, around);
	return placed === selector ? `${around} ${selector}` : placed;
}

/**
 * The selector list of a rule as it would be without nesting: every rule around it is inserted as `:is()`.
 * `@scope` around it is ignored.
 */
export function wholeSelector(source: string, rule: Rule): string {
	const own = sliceOf(source, rule.prelude);
	for (let at = rule.parent; at.kind !== 'sheet'; at = at.parent) {
		if (at.kind !== 'rule') continue;
		const around = `:is(${wholeSelector(source, at)})`;
		return selectorsIn(own)
			.map((one) => within(one, around))
			.join(', ');
	}
	return own;
}
