import { sliceOf, walk, type Sheet, type Span } from './node.ts';

/** A piece of a sheet that can be put out of force, with the words that name it. */
export interface Piece {
	readonly span: Span;
	readonly words: string;
}

const LONGEST = 48;

const short = (text: string): string => {
	const words = text.replace(/\s+/g, ' ').trim();
	return words.length > LONGEST ? `${words.slice(0, LONGEST - 1)}…` : words;
};

/** The declarations, rules and at-rules that an offset lies in, the innermost first. */
export function piecesAt(sheet: Sheet, offset: number): Piece[] {
	const found: Piece[] = [];
	for (const node of walk(sheet)) {
		if (node.kind === 'comment' || offset < node.span.start || offset > node.span.end) continue;
		if (node.kind === 'declaration') {
			found.unshift({ span: node.span, words: short(sliceOf(sheet.source, node.span)) });
			continue;
		}
		const prelude = sliceOf(sheet.source, node.prelude);
		found.unshift({
			span: node.span,
			words: short(node.kind === 'rule' ? prelude : `@${node.name} ${prelude}`)
		});
	}
	return found;
}
