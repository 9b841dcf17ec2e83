import { lineStarts, placeAt } from '../text/lines.ts';
import type { Note, Span } from './node.ts';
import { T, textOf, type Tokens } from './tokens.ts';

/** How much of a text a sentence quotes, characters. */
const QUOTED = 40;

/** Spans, places and quotations of a tokenised text that some lines precede, and the notes made on it. */
export function sourceOf(tokens: Tokens, above: number) {
	const { source, types, starts, count } = tokens;
	let lines: number[] | undefined;
	const start = (token: number): number => starts[Math.min(token, count)] as number;
	const span = (from: number, to: number): Span => ({ start: start(from), end: start(to) });
	const lineAt = (offset: number): number => above + placeAt((lines ??= lineStarts(source)), offset).line;

	/** The span of tokens `from` to `to` without the white space at both ends. */
	function trimmed(from: number, to: number): Span {
		let a = from;
		let b = Math.min(to, count);
		while (a < b && types[a] === T.WhiteSpace) a++;
		while (b > a && types[b - 1] === T.WhiteSpace) b--;
		return span(a, b);
	}

	function quote({ start: from, end }: Span): string {
		const text = source.slice(from, Math.min(end, from + 4 * QUOTED)).replace(/\s+/g, ' ');
		return text.length > QUOTED ? `${text.slice(0, QUOTED - 1)}…` : text;
	}

	const notes: Note[] = [];
	return {
		notes,
		start,
		span,
		trimmed,
		quote,
		lineAt,
		/** The line of a token, from 1. */
		line: (token: number): number => lineAt(start(token)),
		text: (token: number): string => textOf(tokens, token),
		note: (kind: Note['kind'], at: Span, sentence: string): void =>
			void notes.push({ kind, span: at, sentence })
	};
}

export type Source = ReturnType<typeof sourceOf>;
