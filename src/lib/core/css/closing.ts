import { isClosedComment, isClosedString, isEscaped, T, type Tokens } from './tokens.ts';

/**
 * What must be written after a text so that all it leaves open is closed, innermost first: an escape, a
 * string, a comment or an address at its end, then brackets and blocks. Empty where nothing is open.
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

function lastToken(type: number, text: string): string {
	const escaping = isEscaped(text, text.length);
	switch (type) {
		case T.Comment:
			return isClosedComment(text) ? '' : '*/';
		case T.String:
			return isClosedString(text) ? '' : (escaping ? '\n' : '') + (text[0] as string);
		case T.Url:
		case T.BadUrl:
			// The space: css-tree passes over the character that follows an escape in a bad address.
			return text.endsWith(')') && !isEscaped(text, text.length - 1) ? '' : (escaping ? '\uFFFD ' : '') + ')';
		default:
			return escaping ? '\uFFFD' : '';
	}
}
