import type { Change } from '../../text/index.ts';
import { sliceOf, walk, type Declaration, type Sheet } from '../node.ts';
import { isSpace, T, textOf, tokensOf, type Tokens } from '../tokens.ts';

/** A valid name of a custom property (CSS Variables 1 §2): two dashes and an identifier. */
export const isCustomName = (name: string): boolean => {
	const tokens = tokensOf(name);
	return name.startsWith('--') && name.length > 2 && tokens.count === 1 && tokens.types[0] === T.Ident;
};

const declarations = function* (sheet: Sheet): Generator<Declaration> {
	for (const node of walk(sheet)) if (node.kind === 'declaration') yield node;
};

/** The significant tokens of a value, as texts: hex colours and units in one case. */
const wordsOf = (tokens: Tokens): { readonly text: string; readonly i: number }[] =>
	Array.from({ length: tokens.count }, (_, i) => i)
		.filter((i) => !isSpace(tokens, i))
		.map((i) => ({
			i,
			text:
				tokens.types[i] === T.String || tokens.types[i] === T.Url
					? textOf(tokens, i)
					: textOf(tokens, i).toLowerCase()
		}));

/** The places in a value where another value occurs, token by token, but not inside a longer word or function. */
function stretchesOf(value: string, sought: readonly string[]): { start: number; end: number }[] {
	const tokens = tokensOf(value);
	const words = wordsOf(tokens);
	const found: { start: number; end: number }[] = [];
	for (let at = 0; at + sought.length <= words.length; at++) {
		if (!sought.every((text, k) => words[at + k]?.text === text)) continue;
		const first = words[at]?.i ?? 0;
		const last = words[at + sought.length - 1]?.i ?? 0;
		found.push({ start: tokens.starts[first] as number, end: tokens.starts[last + 1] as number });
		at += sought.length - 1;
	}
	return found;
}

/** The parts of a value; a value with an open bracket has none. */
function soughtOf(value: string): string[] {
	const tokens = tokensOf(value);
	return tokens.close.some((close, i) => isOpener(tokens, i) && close >= tokens.count)
		? []
		: wordsOf(tokens).map(({ text }) => text);
}

const OPENERS: readonly number[] = [T.Function, T.LeftParen, T.LeftSquare, T.LeftCurly];
const isOpener = (tokens: Tokens, i: number): boolean => OPENERS.includes(tokens.types[i] ?? 0);

/**
 * Replaces a value by `var(name)` wherever it occurs in a sheet's declarations, alone or as part of another value,
 * except where the custom property itself is defined, and in conditions, where `var()` is invalid (CSS Variables 1
 * §3).
 */
export function useCustomProperty(sheet: Sheet, name: string, value: string): Change[] {
	const sought = soughtOf(value);
	if (sought.length === 0) return [];
	const changes: Change[] = [];
	for (const node of declarations(sheet)) {
		const { parent, value: span } = node;
		if (node.property === name) continue;
		if (parent.kind === 'at-rule' && ['font-face', 'property', 'page', 'counter-style'].includes(parent.name))
			continue;
		for (const { start, end } of stretchesOf(sliceOf(sheet.source, span), sought))
			changes.push({ start: span.start + start, end: span.start + end, text: `var(${name})` });
	}
	return changes;
}

/** The definitions of a custom property in a sheet. */
export const givenBy = (sheet: Sheet, name: string): Declaration[] =>
	[...declarations(sheet)].filter(({ property }) => property === name);

/** Replaces every use of a custom property in a sheet by a value, including its fallback. */
export function inlineCustomProperty(sheet: Sheet, name: string, value: string): Change[] {
	const changes: Change[] = [];
	for (const { value: span } of declarations(sheet)) {
		const tokens = tokensOf(sliceOf(sheet.source, span));
		for (let i = 0; i < tokens.count; i++) {
			if (tokens.types[i] !== T.Function || textOf(tokens, i).toLowerCase() !== 'var(') continue;
			let at = i + 1;
			while (at < tokens.count && isSpace(tokens, at)) at++;
			const close = tokens.close[i] as number;
			if (textOf(tokens, at) !== name || close >= tokens.count) continue;
			const start = span.start + (tokens.starts[i] as number);
			changes.push({ start, end: span.start + (tokens.starts[close + 1] as number), text: value });
			i = close;
		}
	}
	return changes;
}
