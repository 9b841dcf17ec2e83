import { next, T, textOf, tokensOf, type Tokens } from '../css/tokens.ts';
import { STATE_ATTRIBUTES } from '../selector/states.ts';
import type { Vantage } from '../vantage/index.ts';
import { applyChanges, type Change } from '../text/index.ts';

/** Whether a selector list may contain one of the states. */
export const MAY_ASK_STATE = /:(hover|active|focus)/i;

/** States that a tap triggers on a pointing device without hover. */
const BY_HOVER = /^(hover|active)$/;

/**
 * A selector list in which `:hover`, `:active` and the kinds of `:focus` also match an attribute; the first two match
 * only the attribute where the vantage cannot hover. An attribute selector has the specificity of a pseudo-class
 * (Selectors 4 §17), and `:is()` that of its most specific argument, so specificities stay the same. After a
 * pseudo-element the text stays: `::before:hover` is invalid, and must not become valid.
 */
export function simulateSelector(text: string, vantage: Vantage): string {
	if (!MAY_ASK_STATE.test(text)) return text;
	const tokens = tokensOf(text);
	const changes: Change[] = [];
	collect(tokens, 0, tokens.count, vantage, changes);
	return applyChanges(text, changes);
}

function collect(tokens: Tokens, from: number, to: number, vantage: Vantage, changes: Change[]): void {
	let afterElement = false;
	for (let i = from; i < to; i = next(tokens, i)) {
		const type = tokens.types[i];
		if (type === T.WhiteSpace || type === T.Comma || type === T.Delim) afterElement = false;
		if (type === T.Function && !afterElement) {
			collect(tokens, i + 1, Math.min(tokens.close[i] as number, to), vantage, changes);
		}
		if (type !== T.Colon) continue;
		if (tokens.types[i + 1] === T.Colon) {
			afterElement = true;
			i++;
			continue;
		}
		const name = i + 1 < to && tokens.types[i + 1] === T.Ident ? textOf(tokens, i + 1).toLowerCase() : '';
		if (/^(before|after|first-line|first-letter)$/.test(name)) afterElement = true;
		const attribute = STATE_ATTRIBUTES[name];
		if (!attribute || afterElement) continue;
		const text =
			vantage.hover === 'none' && BY_HOVER.test(name) ? `[${attribute}]` : `:is(:${name}, [${attribute}])`;
		changes.push({ start: tokens.starts[i] as number, end: tokens.starts[i + 2] as number, text });
	}
}
