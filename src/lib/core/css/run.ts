import {
	startWithComments,
	walk,
	type AtRule,
	type Block,
	type Node,
	type Rule,
	type Sheet
} from './node.ts';

/** Adjacent nodes in one block, with the comments that belong to the first. */
export interface Run {
	readonly parent: Block;
	readonly nodes: readonly (Rule | AtRule)[];
	/** In the source: from the first comment's or node's start to the last node's end. */
	readonly start: number;
	readonly end: number;
}

const isBlock = (node: Node): node is Rule | AtRule => node.kind === 'rule' || node.kind === 'at-rule';

/** At-rules in which a condition may stand around rules; `@keyframes` and the like contain none. */
const GROUPS = /^(media|supports|layer|container|scope|starting-style)$/;

/**
 * The rules that a selection touches: those of the innermost block, other than a rule, that contains the whole
 * selection. Undefined where it touches none.
 */
export function runAt(sheet: Sheet, from: number, to: number): Run | undefined {
	let parent: Block = sheet;
	for (const node of walk(sheet)) {
		if (node.kind !== 'at-rule' || !GROUPS.test(node.name) || !node.block) continue;
		if (!node.children.some(isBlock)) continue;
		if (node.block.start < from && to < node.block.end) parent = node;
	}
	const nodes = parent.children.filter(isBlock).filter(({ span }) => span.start <= to && span.end >= from);
	const first = nodes[0];
	const last = nodes.at(-1);
	if (!first || !last) return undefined;
	return { parent, nodes, start: startWithComments(sheet.source, first), end: last.span.end };
}
