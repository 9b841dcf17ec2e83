import { sliceOf, type AtRule, type Span } from './node.ts';
import { skipSpace, stringValue, T, textOf, tokensOf, urlValue } from './tokens.ts';

/** An `@import` split into its parts (CSS Cascade 5 §2). */
export interface Import {
	readonly address: string;
	/** The layer's name, '' for an unnamed layer, null for none. */
	readonly layer: string | null;
	/** The content of `supports(…)`; null where there is none. */
	readonly supports: string | null;
	/** The media query list as written, possibly empty, and its place in the sheet. */
	readonly media: string;
	readonly mediaSpan: Span;
}

/** The parts of an `@import` rule; null where it has no address. */
export function importOf(source: string, rule: AtRule): Import | null {
	if (rule.name !== 'import' || rule.block) return null;
	const tokens = tokensOf(sliceOf(source, rule.prelude));
	const { count, types } = tokens;
	let at = skipSpace(tokens, 0, count);
	const text = at < count ? textOf(tokens, at) : '';
	let address: string;
	if (types[at] === T.String) address = stringValue(text);
	else if (types[at] === T.Url) address = urlValue(text);
	else if (types[at] === T.Function && /^(url|src)\($/i.test(text)) {
		const close = tokens.close[at] as number;
		const inner = skipSpace(tokens, at + 1, Math.min(close, count));
		if (types[inner] !== T.String) return null;
		address = stringValue(textOf(tokens, inner));
		at = close;
	} else return null;
	at = skipSpace(tokens, at + 1, count);
	const inside = (open: number): string => {
		const close = Math.min(tokens.close[open] as number, count);
		return tokens.source.slice(tokens.starts[open + 1], tokens.starts[close]);
	};
	let layer: string | null = null;
	const word = at < count ? textOf(tokens, at).toLowerCase() : '';
	if (types[at] === T.Ident && word === 'layer') {
		layer = '';
		at = skipSpace(tokens, at + 1, count);
	} else if (types[at] === T.Function && word === 'layer(') {
		layer = inside(at).trim();
		at = skipSpace(tokens, (tokens.close[at] as number) + 1, count);
	}
	let supports: string | null = null;
	if (at < count && types[at] === T.Function && textOf(tokens, at).toLowerCase() === 'supports(') {
		supports = inside(at).trim();
		at = skipSpace(tokens, (tokens.close[at] as number) + 1, count);
	}
	const start = at < count ? (tokens.starts[at] as number) : tokens.source.length;
	return {
		address,
		layer,
		supports,
		media: tokens.source.slice(start).trim(),
		mediaSpan: { start: rule.prelude.start + start, end: rule.prelude.end }
	};
}
