import type { Source } from './source.ts';
import { isClosedComment, isClosedString, T, type Tokens } from './tokens.ts';

/** Notes what a text never closes: blocks, brackets, strings, comments and addresses. */
export function noteUnclosed(tokens: Tokens, source: Source): void {
	const { types, close, count } = tokens;
	const { note, span, line, text } = source;
	for (let i = 0; i < count; i++) {
		const type = types[i];
		const at = span(i, i + 1);
		if (close[i] === count && type === T.LeftCurly) {
			const owner = ownerOf(tokens, source, i);
			const whose = owner ? `\`${owner}\`` : 'its block';
			note(
				'unclosed-block',
				at,
				`The \`{\` at line ${line(i)} is never closed; everything after it belongs to ${whose}.`
			);
		} else if (close[i] === count) {
			note(
				'unclosed-bracket',
				at,
				`The \`${text(i)}\` at line ${line(i)} is never closed; everything after it is taken as part of it.`
			);
		} else if (type === T.BadString) {
			note(
				'unclosed-string',
				at,
				`The string that begins at line ${line(i)} is not closed on its line; browsers drop the declaration it stands in.`
			);
		} else if (type === T.BadUrl) {
			note(
				'unclosed-url',
				at,
				`The address at line ${line(i)} holds a character that wants quotes; browsers drop the declaration it stands in.`
			);
		}
	}
	const last = count - 1;
	if (last < 0) return;
	if (types[last] === T.Comment && !isClosedComment(text(last))) {
		note(
			'unclosed-comment',
			span(last, count),
			`The comment that begins at line ${line(last)} is never closed; everything after it is comment.`
		);
	} else if (types[last] === T.String && !isClosedString(text(last))) {
		note(
			'unclosed-string',
			span(last, count),
			`The string that begins at line ${line(last)} is never closed.`
		);
	}
}

/** The selector or at-rule before an opening brace, shortened. */
function ownerOf({ types }: Tokens, { quote, trimmed }: Source, brace: number): string {
	let from = brace;
	while (from > 0) {
		const type = types[from - 1];
		if (type === T.Semicolon || type === T.LeftCurly || type === T.RightCurly || type === T.Comment) break;
		from--;
	}
	return quote(trimmed(from, brace));
}
