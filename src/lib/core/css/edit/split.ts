import { done, refuse, type Change, type Result } from '../../text/index.ts';
import { isClosed, sliceOf, type AtRule, type Block, type Sheet } from '../node.ts';
import { handOf } from './hand.ts';
import { commentsAfter, indentAt } from './line.ts';

/** Media queries of a block and of its copy. */
export interface Heads {
	readonly own: string;
	readonly copy: string;
}

/** Blocks that were copied: the changes, and how many there were. */
export type Split = Result<{ readonly changes: Change[]; readonly count: number }, number>;

const mediaIn = (block: Block): AtRule[] =>
	block.children.flatMap((node): AtRule[] =>
		node.kind === 'at-rule' && node.name === 'media' && node.block !== null && !node.opaque
			? [node]
			: node.kind === 'rule' || node.kind === 'at-rule'
				? mediaIn(node)
				: []
	);

/**
 * Copies `@media` blocks with their content to directly after them, under another condition; `headsOf` decides by a
 * block's queries which it keeps and which its copy gets, null for no copy. Where both together hold exactly when
 * the block did, nothing in force changes. Nested blocks are copied with the outer one.
 */
export function copyBlocks(sheet: Sheet, headsOf: (queries: string) => Heads | null): Split {
	const { source } = sheet;
	const changes: Change[] = [];
	let count = 0;
	for (const node of mediaIn(sheet)) {
		const { prelude, block, span } = node;
		const heads = headsOf(sliceOf(source, prelude));
		if (!heads || !block) continue;
		if (!isClosed(source, node)) return refuse('The block that begins here is never closed.', span.start);
		count++;
		if (heads.own !== sliceOf(source, prelude)) changes.push({ ...prelude, text: heads.own });
		const before = source.slice(span.start, prelude.start);
		const after = source.slice(prelude.end, span.end);
		const gap = `${handOf(sheet).apart ? '\n\n' : '\n'}${indentAt(source, span.start)}`;
		const at = span.end + commentsAfter(source, span.end);
		changes.push({ start: at, end: at, text: `${gap}${before}${heads.copy}${after}` });
	}
	return done({ changes, count });
}
