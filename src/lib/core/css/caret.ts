import { partStart } from './parts.ts';
import { skipSpace, T, textOf, tokensOf } from './tokens.ts';

/** What may be written at a place of a sheet, and what has been written already. */
export type Caret = {
	/** The word being written: from `from` to the caret. */
	readonly from: number;
	readonly word: string;
} & (
	| { readonly kind: 'property' | 'selector' | 'media' | 'class' | 'id' | 'at-rule' | 'custom-property' }
	| { readonly kind: 'value'; readonly property: string }
);

const WORD = /[-\w\u0080-\uffff]*$/;

/**
 * What is being written at an offset of a sheet, judged by the blocks, brackets and semicolons before it; undefined
 * in a comment, a string or an address.
 */
export function caretAt(source: string, offset: number): Caret | undefined {
	const begin = partStart(source, offset);
	const before = source.slice(begin, offset);
	const tokens = tokensOf(before);
	const last = tokens.count - 1;
	const lastType = last >= 0 ? tokens.types[last] : undefined;
	const lastText = last >= 0 ? textOf(tokens, last) : '';
	if (lastType === T.Comment && !lastText.endsWith('*/')) return undefined;
	if (lastType === T.String || lastType === T.BadString || lastType === T.Url || lastType === T.BadUrl) {
		if (!/["')]$/.test(lastText.slice(1))) return undefined;
	}
	// Where the piece around the caret begins, and how many blocks are open around it.
	let start = 0;
	let depth = 0;
	let brackets = 0;
	for (let i = 0; i < tokens.count; i++) {
		const type = tokens.types[i];
		if (type === T.LeftParen || type === T.Function || type === T.LeftSquare) brackets++;
		else if (type === T.RightParen || type === T.RightSquare) brackets = Math.max(0, brackets - 1);
		if (type === T.LeftCurly) depth++;
		else if (type === T.RightCurly) depth = Math.max(0, depth - 1);
		else if (type !== T.Semicolon || brackets > 0) continue;
		start = i + 1;
		brackets = 0;
	}
	const word = WORD.exec(before)?.[0] ?? '';
	const from = offset - word.length;
	const first = skipSpace(tokens, start, tokens.count);
	if (word.startsWith('--') && brackets > 0) return { kind: 'custom-property', from, word };
	if (first < tokens.count && tokens.types[first] === T.AtKeyword) {
		const name = textOf(tokens, first).toLowerCase();
		if (first === last)
			return { kind: 'at-rule', from: begin + (tokens.starts[first] as number), word: name };
		return name === '@media' ? { kind: 'media', from, word } : undefined;
	}
	const mark = source[from - 1];
	if (depth > 0) {
		const colon = skipSpace(tokens, first + 1, tokens.count);
		if (first < tokens.count && tokens.types[first] === T.Ident && tokens.types[colon] === T.Colon) {
			const property = textOf(tokens, first).toLowerCase();
			return { kind: 'value', property, from, word };
		}
		if (first >= tokens.count || (first === last && tokens.types[first] === T.Ident)) {
			return { kind: 'property', from, word };
		}
	}
	if (mark === '.') return { kind: 'class', from, word };
	if (mark === '#') return { kind: 'id', from, word };
	return brackets > 0 ? undefined : { kind: 'selector', from, word };
}
