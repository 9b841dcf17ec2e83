import { rememberedPieces } from '../remember/index.ts';
import { lineNumber } from '../text/lines.ts';
import type { Block, Node, Note, Sheet, Span } from './node.ts';
import { partsOf } from './parts.ts';
import { atOnce, type Steps } from '../steps/index.ts';
import { readSheet } from './read.ts';

/** A parsed part of a sheet (`partsOf`), with spans and notes relative to the part. */
export const readPart = rememberedPieces((part): Sheet => readSheet(part));

/**
 * A sheet's text as rules, declarations, at-rules and comments, each with its span (CSS Syntax 3 §5, CSS Nesting 1).
 * It never throws: it recovers from broken CSS as the standard requires of browsers, and each recovery is a note. The
 * text must have LF line ends.
 */
export const parseSheet = (source: string): Sheet => atOnce(parseSheetInSteps(source));

/** The same in steps. */
export function* parseSheetInSteps(source: string): Steps<Sheet> {
	const parts = partsOf(source);
	if (parts.length < 2) return readSheet(source);
	const read: Sheet[] = [];
	for (const part of parts) {
		read.push(readPart(part));
		yield;
	}
	return joined(source, read);
}

/** A sheet of the parts of its text (`partsOf`). */
export const sheetOfParts = (source: string, parts: readonly string[]): Sheet =>
	joined(source, parts.map(readPart));

/** The sheet that its separately read parts make up. */
function joined(source: string, read: readonly Sheet[]): Sheet {
	const children: Node[] = [];
	const notes: Note[] = [];
	const unread: Span[] = [];
	const sheet: Sheet = {
		kind: 'sheet',
		source,
		span: { start: 0, end: source.length },
		children,
		notes,
		unread,
		closing: read.at(-1)?.closing ?? ''
	};
	let [at, above, counted] = [0, 0, 0];
	for (const kept of read) {
		const part = kept.source;
		let own = kept;
		if (kept.notes.length > 0) {
			// Notes name their line.
			above += lineNumber(source.slice(counted, at), at - counted) - 1;
			counted = at;
			own = readSheet(part, above);
		}
		for (const node of own.children) children.push(moved(node, at, sheet));
		for (const note of own.notes) notes.push({ ...note, span: spanFrom(note.span, at) });
		for (const span of own.unread) unread.push(spanFrom(span, at));
		at += part.length;
	}
	return sheet;
}

const spanFrom = ({ start, end }: Span, by: number): Span => ({ start: start + by, end: end + by });

/** A node of a part as a node of the whole sheet. */
function moved(node: Node, by: number, parent: Block): Node {
	const span = spanFrom(node.span, by);
	switch (node.kind) {
		case 'comment':
			return { kind: 'comment', span, parent };
		case 'declaration':
			return {
				kind: 'declaration',
				span,
				parent,
				property: node.property,
				name: spanFrom(node.name, by),
				value: spanFrom(node.value, by),
				important: node.important
			};
		case 'rule': {
			const rule: Node = {
				kind: 'rule',
				span,
				parent,
				prelude: spanFrom(node.prelude, by),
				block: spanFrom(node.block, by),
				dropped: node.dropped,
				children: []
			};
			for (const child of node.children) rule.children.push(moved(child, by, rule));
			return rule;
		}
		case 'at-rule': {
			const rule: Node = {
				kind: 'at-rule',
				span,
				parent,
				name: node.name,
				prelude: spanFrom(node.prelude, by),
				block: node.block && spanFrom(node.block, by),
				children: [],
				opaque: node.opaque
			};
			for (const child of node.children) rule.children.push(moved(child, by, rule));
			return rule;
		}
	}
}
