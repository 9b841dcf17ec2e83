import { isClosedComment, isClosedString, isEscaped, T, type Tokens } from './tokens.ts';

/**
 * What must follow a text to close everything left open, innermost first: an escape, a string, a comment or an
 * address at its end, then brackets and blocks. Empty where nothing is open.
 */
export function closingOf(tokens: Tokens): string {
	const { types, close, count, source } = tokens;
	let closing = '';
	for (let i = 0; i < count; i++) {
		if (close[i] !== count) continue;
		const type = types[i];
		if (type === T.LeftCurly) closing = '}' + closing;
		else if (type === T.LeftSquare) closing = ']' + closing;
		else closing = ')' + closing;
	}
	if (count === 0) return closing;
	return lastToken(types[count - 1] as number, source.slice(tokens.starts[count - 1])) + closing;
}

const closes = (address: string): boolean => address.endsWith(')') && !isEscaped(address, address.length - 1);

/** In a bad address css-tree skips the character after an escape, hence ` x` before its end. */
const AFTER_ESCAPE = /\\(?:[0-9a-f]{1,6}\s?|[^0-9a-f])\)$/i;

function lastToken(type: number, text: string): string {
	const escaping = isEscaped(text, text.length);
	switch (type) {
		case T.Comment:
			return isClosedComment(text) ? '' : '*/';
		case T.String:
			return isClosedString(text) ? '' : (escaping ? '\n' : '') + (text[0] as string);
		case T.Url:
			return closes(text) ? '' : (escaping ? '\uFFFD' : '') + ')';
		case T.BadUrl:
			return closes(text) && !AFTER_ESCAPE.test(text) ? '' : (escaping ? '\uFFFD' : '') + ' x)';
		default:
			return escaping ? '\uFFFD' : '';
	}
}
