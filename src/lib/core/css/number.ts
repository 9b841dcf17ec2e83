import type { Span } from './node.ts';
import { T, textOf, tokensOf } from './tokens.ts';

/** A number as it stands in a text, without its unit. */
export interface NumberAt {
	readonly span: Span;
	readonly text: string;
}

const NUMBER = /^[+-]?(?:\d*\.)?\d+(?![eE][+-]?\d)/;

/**
 * The number, percentage or dimension that an offset lies in or at an end of; in a comment, a string or an
 * address there is none, nor where an exponent is written.
 */
export function numberAt(source: string, offset: number): NumberAt | undefined {
	const tokens = tokensOf(source);
	for (let i = 0; i < tokens.count; i++) {
		const start = tokens.starts[i] as number;
		const end = tokens.starts[i + 1] as number;
		if (start > offset) return undefined;
		const type = tokens.types[i];
		if (end < offset || (type !== T.Number && type !== T.Percentage && type !== T.Dimension)) continue;
		const text = NUMBER.exec(textOf(tokens, i))?.[0];
		return text === undefined ? undefined : { span: { start, end: start + text.length }, text };
	}
	return undefined;
}

const decimals = (text: string): number => /\.(\d*)$/.exec(text)?.[1]?.length ?? 0;

/**
 * A number with another added, written as it was: its sign and its leading zero stay, and no more decimals are
 * given than it or the step had.
 */
export function addTo(text: string, step: number): string {
	const places = Math.max(decimals(text), decimals(String(step)));
	const value = Number(text) + step;
	let written = value.toFixed(places);
	if (places > decimals(text)) written = String(Number(written));
	if (Number(written) === 0) written = written.replace('-', '');
	if (/^[+-]?\./.test(text)) written = written.replace(/^(-?)0\./, '$1.');
	return text.startsWith('+') && value > 0 ? `+${written}` : written;
}
