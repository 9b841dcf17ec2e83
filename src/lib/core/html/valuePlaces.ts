import { decodeHTMLAttribute } from 'entities/decode';

/**
 * Where each character of an attribute's value, and the value's end, is in the attribute as written, with name,
 * quotes and character references (HTML §13.2.5.72); undefined where that is not certain. UTF-16 units.
 */
export function valuePlaces(written: string, value: string): readonly number[] | undefined {
	const [, before = '', quote = ''] = /^([^=]*=\s*(["']?))/.exec(written) ?? [];
	const text = written.slice(before.length, written.length - quote.length);
	const places: number[] = [];
	let read = '';
	for (const { 0: piece, index } of text.matchAll(/&#?\w+;?|[^]/g)) {
		// Without its semicolon, what follows decides whether it is a reference.
		const next = piece.endsWith(';') ? '' : (text[index + piece.length] ?? '');
		const characters =
			piece.length === 1 ? piece : decodeHTMLAttribute(piece + next).slice(0, next === '' ? undefined : -1);
		for (let i = 0; i < characters.length; i++) places.push(before.length + index);
		read += characters;
	}
	return read === value ? [...places, before.length + text.length] : undefined;
}
