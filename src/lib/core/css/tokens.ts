import { tokenize } from 'css-tree/tokenizer';

/** Token types of CSS Syntax 3 §4, numbered as css-tree numbers them. */
export const T = {
	Ident: 1,
	Function: 2,
	AtKeyword: 3,
	Hash: 4,
	String: 5,
	BadString: 6,
	Url: 7,
	BadUrl: 8,
	Delim: 9,
	Number: 10,
	Percentage: 11,
	Dimension: 12,
	WhiteSpace: 13,
	CDO: 14,
	CDC: 15,
	Colon: 16,
	Semicolon: 17,
	Comma: 18,
	LeftSquare: 19,
	RightSquare: 20,
	LeftParen: 21,
	RightParen: 22,
	LeftCurly: 23,
	RightCurly: 24,
	Comment: 25
} as const;

/** The tokens of a text as columns. Token `i` reaches from `starts[i]` to `starts[i + 1]`. */
export interface Tokens {
	readonly source: string;
	readonly count: number;
	readonly types: Uint8Array;
	readonly starts: Uint32Array;
	/**
	 * For a token that opens a block or a function: the index of the token that closes it, or `count` where
	 * nothing does. As CSS Syntax 3 §5.4.8 has it, a closing token closes only the innermost open block.
	 */
	readonly close: Uint32Array;
}

const CLOSER: Readonly<Record<number, number>> = {
	[T.Function]: T.RightParen,
	[T.LeftParen]: T.RightParen,
	[T.LeftSquare]: T.RightSquare,
	[T.LeftCurly]: T.RightCurly
};

/** The tokens of a whole sheet or of a piece of one (a prelude, a value). Offsets count from the text's start. */
export function tokensOf(source: string): Tokens {
	if (source.length < LARGE) return tokenized(source);
	if (latest?.source !== source) latest = tokenized(source);
	return latest;
}

/** Callers ask about a sheet several times in a row (its rules, its addresses), so the latest large one is kept. */
const LARGE = 4000;
let latest: Tokens | undefined;

function tokenized(source: string): Tokens {
	let room = Math.max(16, source.length >> 1);
	let types = new Uint8Array(room);
	let starts = new Uint32Array(room + 1);
	let count = 0;
	// A byte order mark inside a text is an ordinary character (CSS Syntax 3 §4.2); css-tree skips it at the start.
	tokenize(/^[\ufeff\ufffe]/.test(source) ? `\u00e9${source.slice(1)}` : source, (type, start) => {
		if (count === room) {
			room *= 2;
			const moreTypes = new Uint8Array(room);
			moreTypes.set(types);
			types = moreTypes;
			const moreStarts = new Uint32Array(room + 1);
			moreStarts.set(starts);
			starts = moreStarts;
		}
		types[count] = type;
		starts[count++] = start;
	});
	starts[count] = source.length;
	return { source, count, types, starts, close: closers(types, count) };
}

function closers(types: Uint8Array, count: number): Uint32Array {
	const close = new Uint32Array(count);
	const open: number[] = [];
	let expected = 0;
	for (let i = 0; i < count; i++) {
		const type = types[i] as number;
		if (type === expected && open.length > 0) {
			close[open.pop() as number] = i;
			expected = open.length > 0 ? (CLOSER[types[open[open.length - 1] as number] as number] as number) : 0;
			continue;
		}
		const closer = CLOSER[type];
		if (closer === undefined) continue;
		close[i] = count;
		open.push(i);
		expected = closer;
	}
	return close;
}

/** The text of token `i`. */
export const textOf = (tokens: Tokens, i: number): string =>
	tokens.source.slice(tokens.starts[i], tokens.starts[i + 1]);

/** Whether token `i` is white space or a comment. */
export const isSpace = (tokens: Tokens, i: number): boolean =>
	tokens.types[i] === T.WhiteSpace || tokens.types[i] === T.Comment;

/** The first token from `i` on, before `end`, that is neither white space nor comment; else `end`. */
export function skipSpace(tokens: Tokens, i: number, end: number): number {
	let at = i;
	while (at < end && isSpace(tokens, at)) at++;
	return at;
}

/** The token after `i`, skipping everything up to the closing token where `i` opens a block. */
export const next = (tokens: Tokens, i: number): number => {
	const close = tokens.close[i] as number;
	return close > i ? Math.min(close + 1, tokens.count) : i + 1;
};

/** A name, string body or the like with its escapes resolved (CSS Syntax 3 §4.3.7). */
export function unescapeCss(text: string): string {
	if (!text.includes('\\')) return text;
	return text.replace(
		/\\(?:([0-9a-fA-F]{1,6})[ \t\n\r\f]?|(\n|\r\n|\f)|([\s\S])|$)/g,
		(_, hex?: string, newline?: string, other?: string) => {
			if (newline !== undefined) return '';
			if (other !== undefined) return other;
			if (hex === undefined) return '\uFFFD';
			const code = parseInt(hex, 16);
			const valid = code > 0 && code <= 0x10ffff && (code < 0xd800 || code > 0xdfff);
			return valid ? String.fromCodePoint(code) : '\uFFFD';
		}
	);
}

/** Whether the character at `at` is escaped, that is, follows an odd number of backslashes. */
export function isEscaped(text: string, at: number): boolean {
	let first = at;
	while (first > 0 && text[first - 1] === '\\') first--;
	return (at - first) % 2 === 1;
}

/** Whether a string token ends with its own quote, rather than at the end of the text. */
export const isClosedString = (token: string): boolean =>
	token.length > 1 && token.endsWith(token[0] as string) && !isEscaped(token, token.length - 1);

/** The body of a string token, without its quotes and escapes. */
export const stringValue = (token: string): string =>
	unescapeCss(token.slice(1, isClosedString(token) ? -1 : undefined));

/** Whether a comment token is closed, rather than ended by the end of the text. */
export const isClosedComment = (token: string): boolean => token.length >= 4 && token.endsWith('*/');

/** The address in a `url(…)` token without quotes. */
export const urlValue = (token: string): string =>
	unescapeCss(token.replace(/^[^(]*\(\s*/, '').replace(/\s*\)?$/, ''));
