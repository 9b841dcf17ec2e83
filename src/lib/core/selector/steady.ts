/** Why a name is unreliable: a tool seems to have generated it. */
export type Unsteady = 'hash' | 'number' | 'suffix';

const VOWEL = /[aeiouy]/i;

/**
 * Whether a piece of a name, between hyphens and underscores, looks random. Digits among letters count if they are
 * inside (`8f3a21`) rather than only at an end (`step2`, `2x`); mixed case counts if it does not separate words
 * (`bdVaJa`: pieces without a vowel or of one letter); so does a long piece without a vowel (`xkqzt`).
 */
function isDrawn(piece: string): boolean {
	if (piece.length < 5) return false;
	if (/^[0-9a-f]{6,}$/i.test(piece) && /\d/.test(piece) && /[a-f]/i.test(piece)) return true;
	if (
		/[a-z]\d+[a-z]/i.test(piece) &&
		/\d[a-z]+\d|[a-z]\d+[a-z]+$/i.test(piece) &&
		!/^[a-z]+\d+[a-z]{3,}$/i.test(piece)
	)
		return true;
	if (/[A-Z]/.test(piece) && /[a-z]/.test(piece)) {
		const humps = piece.match(/[A-Z]?[a-z]+|[A-Z]+(?![a-z])|\d+/g) ?? [];
		const odd = humps.filter((hump) => hump.length < 3 || !VOWEL.test(hump));
		return odd.length * 2 > humps.length;
	}
	return /^[a-z]{5,}$/i.test(piece) && !VOWEL.test(piece);
}

/**
 * Why an id or class looks generated, so that the next build or save may change it; undefined for one that looks
 * handwritten. `hash`: a piece of it looks random; `number`: it ends in a number of three digits or more, or is a
 * word with a number that only a counter reaches (`ember1234`); `suffix`: such a piece follows two underscores or is
 * the last of several, as builds add it to names (`Button_root__x8J2k`).
 */
export function unsteadyName(name: string): Unsteady | undefined {
	const pieces = name.split(/[-_:.]+/).filter(Boolean);
	const last = pieces.at(-1) ?? '';
	if (pieces.length > 1 && isDrawn(last)) return /__/.test(name) ? 'suffix' : 'hash';
	if (pieces.some(isDrawn)) return 'hash';
	if (/^_?\d\w*[A-Za-z]\w*\d/.test(name) || (/^_/.test(name) && /\d/.test(name) && /[A-Z]/.test(name)))
		return 'hash';
	if (/\d{3,}$/.test(name) && !/^(w|h|z|m|p|mt|mb|max|min|fw|text|bg|top|left)-?\d{3}$/i.test(name))
		return 'number';
	if (pieces.filter((piece) => /^\d+$/.test(piece)).length > 2) return 'number';
	return undefined;
}
