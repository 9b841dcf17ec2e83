import { ruleAt, sliceOf, walk, type Block, type Node, type Sheet, type Span } from './node.ts';

/** A piece of a sheet that can be muted, with the words that name it. */
export interface MutablePart {
	readonly span: Span;
	readonly words: string;
}

const LONGEST = 48;

const short = (text: string): string => {
	const words = text.replace(/\s+/g, ' ').trim();
	return words.length > LONGEST ? `${words.slice(0, LONGEST - 1)}…` : words;
};

/** The declarations, rules and at-rules around an offset, innermost first. */
export function piecesAt(sheet: Sheet, offset: number): MutablePart[] {
	const found: MutablePart[] = [];
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

/**
 * All of a sheet except the innermost rule around an offset and the blocks around it: what precedes and what follows
 * it in each of them. Undefined where the offset is in no rule.
 */
export function allBut(sheet: Sheet, offset: number): MutablePart[] | undefined {
	const rule = ruleAt(sheet, offset);
	if (!rule) return undefined;
	const name = short(sliceOf(sheet.source, rule.prelude));
	const others: MutablePart[] = [];
	const put = (nodes: readonly Node[], words: string): void => {
		const [first, last] = [nodes[0], nodes.at(-1)];
		if (first && last) others.push({ span: { start: first.span.start, end: last.span.end }, words });
	};
	let within: Block = rule;
	while (within.kind !== 'sheet') {
		const parent: Block = within.parent;
		const at = parent.children.indexOf(within);
		put(parent.children.slice(0, at), `before ${name}`);
		put(parent.children.slice(at + 1), `after ${name}`);
		within = parent;
	}
	return others;
}
