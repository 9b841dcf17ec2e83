import { rememberedWith } from '../../remember/index.ts';
import type { Sheet } from '../node.ts';
import { T, textOf, tokensOf } from '../tokens.ts';

/** How a sheet writes what can be written in two ways. */
interface Spelling {
	/** The case of hex colours; null where the sheet has none. */
	readonly hex: 'upper' | 'lower' | null;
	readonly quote: '"' | "'" | null;
}

/** So much of a sheet's text is read, UTF-16 units. */
const MOST_READ = 8_000;

const HEX = '#(?:[\\da-f]{3,4}|[\\da-f]{6}|[\\da-f]{8})';
const COLOUR = new RegExp(`^${HEX}$`, 'i');
const COLOURS = new RegExp(`[:\\s,(]${HEX}(?=[\\s;,)}])`, 'gi');

const count = (text: string, pattern: RegExp): number => text.match(pattern)?.length ?? 0;

/** How a sheet writes hex colours and strings. Read once. */
const spellingOf = rememberedWith((sheet: Sheet) => sheet, readSpelling);

function readSpelling(sheet: Sheet): Spelling {
	const text = sheet.source.slice(0, MOST_READ).replace(/\/\*[\s\S]*?\*\//g, '');
	const colours = text.match(COLOURS) ?? [];
	const upper = colours.filter((one) => /[A-F]/.test(one) && !/[a-f]/.test(one)).length;
	const lower = colours.filter((one) => /[a-f]/.test(one) && !/[A-F]/.test(one)).length;
	const double = count(text, /"[^"\n]*"/g);
	const single = count(text, /'[^'\n]*'/g);
	return {
		hex: upper === lower ? null : upper > lower ? 'upper' : 'lower',
		quote: double === single ? null : double > single ? '"' : "'"
	};
}

/**
 * A value as the sheet would write it: hex colours in its case, strings in its quotes, where the sheet shows a
 * preference and nothing needs escaping. Everything else is kept to the letter.
 */
export function spelled(sheet: Sheet, value: string): string {
	if (!/[#"']/.test(value)) return value;
	const { hex, quote } = spellingOf(sheet);
	const tokens = tokensOf(value);
	return Array.from({ length: tokens.count }, (_, i) => {
		const text = textOf(tokens, i);
		const type = tokens.types[i];
		if (type === T.Hash && hex && COLOUR.test(text))
			return hex === 'upper' ? text.toUpperCase() : text.toLowerCase();
		if (type === T.String && quote && !/["'\\]/.test(text.slice(1, -1)) && text.length > 1)
			return `${quote}${text.slice(1, -1)}${quote}`;
		return text;
	}).join('');
}
