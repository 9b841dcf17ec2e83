/** A stretch of a text: offsets in UTF-16 units, `end` exclusive. */
export interface Span {
	readonly start: number;
	readonly end: number;
}

export const sliceOf = (source: string, span: Span): string => source.slice(span.start, span.end);

export interface Comment {
	readonly kind: 'comment';
	readonly span: Span;
	readonly parent: Block;
}

export interface Declaration {
	readonly kind: 'declaration';
	/** From the property's name to the end of its value or flag, without the `;`. */
	readonly span: Span;
	readonly parent: Block;
	/** Lower case, escapes resolved; a custom property keeps its case. */
	readonly property: string;
	readonly name: Span;
	/** Without the white space around it and without the flag. */
	readonly value: Span;
	readonly important: boolean;
}

export interface Rule {
	readonly kind: 'rule';
	readonly span: Span;
	readonly parent: Block;
	/** The selector list, without the white space around it. */
	readonly prelude: Span;
	/** With its braces; ends with the text where no brace closes it. */
	readonly block: Span;
	/** Whether a stray `;` or `}` before it makes browsers drop it. */
	readonly dropped: boolean;
	readonly children: Node[];
}

export interface AtRule {
	readonly kind: 'at-rule';
	readonly span: Span;
	readonly parent: Block;
	/** Lower case, without the `@`. */
	readonly name: string;
	readonly prelude: Span;
	/** Null for a statement (`@import …;`). */
	readonly block: Span | null;
	readonly children: Node[];
	/** True where the block belongs to an unknown at-rule and is kept unread. */
	readonly opaque: boolean;
}

export type Node = Comment | Declaration | Rule | AtRule;
export type Block = Sheet | Rule | AtRule;

/** What a browser recovers from, or drops: the place, and a sentence for people. */
export interface Note {
	readonly kind:
		| 'unclosed-block'
		| 'unclosed-bracket'
		| 'unclosed-string'
		| 'unclosed-comment'
		| 'unclosed-url'
		| 'stray-brace'
		| 'stray-semicolon'
		| 'missing-semicolon'
		| 'not-a-declaration'
		| 'declaration-outside-rule'
		| 'no-block'
		| 'too-deep';
	readonly span: Span;
	readonly sentence: string;
}

export interface Sheet {
	readonly kind: 'sheet';
	readonly source: string;
	readonly span: Span;
	readonly children: Node[];
	readonly notes: readonly Note[];
	/** Blocks nested too deeply to be read. */
	readonly unread: readonly Span[];
	/** What must follow the text to close everything left open (strings, comments, blocks). */
	readonly closing: string;
}

/** All nodes of a block in source order, parents before their children. */
export function* walk(block: Block): Generator<Node> {
	for (const node of block.children) {
		yield node;
		if (node.kind === 'rule' || node.kind === 'at-rule') yield* walk(node);
	}
}

/** Whether a block has its own closing brace; an open one ends with the text, as its last content may. */
export const isClosed = (source: string, { block, children }: Rule | AtRule): boolean =>
	block !== null && source[block.end - 1] === '}' && children.at(-1)?.span.end !== block.end;

/** The innermost rule around an offset or ending at it; undefined where there is none. */
export function ruleAt(sheet: Sheet, offset: number): Rule | undefined {
	let found: Rule | undefined;
	for (const node of walk(sheet)) {
		if (node.kind === 'rule' && node.span.start <= offset && offset <= node.span.end) found = node;
	}
	return found;
}

/**
 * The comments that belong to a rule or at-rule: those directly before it, with at most one line break between each
 * and the next, and none of them on a line with other content.
 */
export function leadingComments(source: string, node: Node): Comment[] {
	const siblings = node.parent.children;
	const found: Comment[] = [];
	let below: Node = node;
	for (let i = siblings.indexOf(node) - 1; i >= 0; i--) {
		const above = siblings[i] as Node;
		if (above.kind !== 'comment') break;
		if (/\n[^\S\n]*\n/.test(source.slice(above.span.end, below.span.start))) break;
		const before = siblings[i - 1];
		if (before && !source.slice(before.span.end, above.span.start).includes('\n')) break;
		found.unshift(above);
		below = above;
	}
	return found;
}

/** Where a node begins, including its comments. */
export const startWithComments = (source: string, node: Node): number =>
	leadingComments(source, node)[0]?.span.start ?? node.span.start;

export const isDeclaration = (node: Node): node is Declaration => node.kind === 'declaration';
