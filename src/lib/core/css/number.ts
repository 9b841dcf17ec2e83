import type { Span } from './node.ts';
import { T, textOf, tokensOf } from './tokens.ts';

/** A number in a text, without its unit. */
export interface NumberAt {
	readonly span: Span;
	readonly text: string;
}

const NUMBER = /^[+-]?(?:\d*\.)?\d+(?![eE][+-]?\d)/;

/**
 * The number, percentage or dimension around an offset or ending at it; none in a comment, a string or an address,
 * nor for numbers with an exponent.
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
 * A number plus another, in the notation of the first: its sign and its leading zero stay, and it gets no more
 * decimals than it or the step had.
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
