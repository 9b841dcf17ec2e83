import type { Change } from '../../text/index.ts';
import { sliceOf, type AtRule, type Block, type Node, type Rule, type Sheet } from '../node.ts';
import { setDeclaration, written, type Wished } from './declaration.ts';
import { handOf, hasSemicolon, type Hand } from './hand.ts';
import { commentsAfter, indentAt } from './line.ts';

/** A condition of widths, as the sheet would write it. */
export interface WishedCondition {
	readonly text: string;
	/** Whether another, as it is written, holds at the same widths. */
	same(prelude: string): boolean;
}

/** Where a value is to go. */
export interface Into {
	readonly selector: string;
	/** Null for every width. */
	readonly condition: WishedCondition | null;
	/** The rule that is to be overridden, or that says it so far; the new one comes after it, in the same block. */
	readonly base?: Rule;
}

/** What is done to a text, or why it cannot be, with the place. */
export type Written = { readonly changes: Change[] } | { readonly refused: string; readonly at: number };

const plain = (selector: string): string => selector.replace(/\s+/g, ' ').trim();

/** Where a block's content ends: its closing brace, or the text's end. */
const isClosed = (source: string, { block }: Rule | AtRule): boolean =>
	block !== null && source[block.end - 1] === '}';

const isMedia = (node: Node): node is AtRule & { block: NonNullable<AtRule['block']> } =>
	node.kind === 'at-rule' && node.name === 'media' && node.block !== null && !node.opaque;

/** A rule as a sheet's hand sets it, every line after the first indented by `outer`. */
function ruleText(hand: Hand, selector: string, wished: Wished, outer: string): string {
	const declaration = `${wished.property}:${hand.afterColon}${written(wished)}${hand.lastSemicolon ? ';' : ''}`;
	const open = `${selector}${hand.beforeBrace}{`;
	return hand.oneLine
		? `${open} ${declaration} }`
		: `${open}\n${outer}${hand.indent}${declaration}\n${outer}}`;
}

const gapOf = (hand: Hand): string => (hand.apart ? '\n\n' : '\n');

/** Puts a text at the end of a block, one step further in than the block itself. */
function atEndOf(sheet: Sheet, block: Rule | AtRule, text: (outer: string) => string, hand: Hand): Change[] {
	const { source } = sheet;
	const [start, end] = [(block.block?.start ?? 0) + 1, (block.block?.end ?? 0) - 1];
	const inner = source.slice(start, end);
	const outer = indentAt(source, block.span.start);
	const last = start + inner.trimEnd().length;
	const before = block.children.findLast(({ kind }) => kind !== 'comment');
	const closing: Change[] =
		before?.kind === 'declaration' && !hasSemicolon(source, before)
			? [{ start: before.span.end, end: before.span.end, text: ';' }]
			: [];
	if (inner.trim() === '') {
		const filled = `\n${outer}${hand.indent}${text(outer + hand.indent)}\n${outer}`;
		return [{ start, end, text: filled }];
	}
	if (!inner.includes('\n')) return [...closing, { start: last, end: last, text: ` ${text(outer)}` }];
	// In a rule, what follows its declarations stands apart from them as rules do.
	const added = `${gapOf(hand)}${outer}${hand.indent}${text(outer + hand.indent)}`;
	return [...closing, { start: last, end: last, text: added }];
}

/** Puts a text after a node of a block. */
function after(sheet: Sheet, node: Node, text: (outer: string) => string, hand: Hand): Change[] {
	const outer = indentAt(sheet.source, node.span.start);
	const at = node.span.end + commentsAfter(sheet.source, node.span.end);
	return [{ start: at, end: at, text: `${gapOf(hand)}${outer}${text(outer)}` }];
}

/** Puts a text at the end of a block or sheet. */
function last(sheet: Sheet, block: Block, text: (outer: string) => string, hand: Hand): Written {
	if (block.kind !== 'sheet') {
		return isClosed(sheet.source, block)
			? { changes: atEndOf(sheet, block, text, hand) }
			: { refused: 'The block that begins here is never closed.', at: block.span.start };
	}
	const { source } = sheet;
	if (sheet.closing !== '') {
		const open = sheet.notes.find(({ kind }) => kind.startsWith('unclosed'));
		return { refused: 'What begins here is never closed.', at: open?.span.start ?? source.length };
	}
	const end = source.trimEnd().length;
	const tail = source.slice(end);
	const gap = end === 0 ? '' : gapOf(hand);
	return {
		changes: [{ start: end, end: source.length, text: `${gap}${text('')}${tail === '' ? '\n' : tail}` }]
	};
}

const found = (block: Block, selector: string): Rule | undefined =>
	block.children.findLast(
		(node): node is Rule => node.kind === 'rule' && plain(nodeSelector(node)) === plain(selector)
	);

/** The selector of a rule, as written. */
function nodeSelector(rule: Rule): string {
	let sheet: Block = rule;
	while (sheet.kind !== 'sheet') sheet = sheet.parent;
	return sliceOf(sheet.source, rule.prelude);
}

/** Sets a property in a block of its own, if that is closed. */
function into(sheet: Sheet, block: Rule | AtRule, wished: Wished): Written {
	return isClosed(sheet.source, block)
		? { changes: setDeclaration(sheet, block, wished) }
		: { refused: 'The block that begins here is never closed.', at: block.span.start };
}

/** The conditions straight after a rule that are about its selector: a further one comes after them. */
function lastBeside(rule: Rule, selector: string): Node {
	const siblings = rule.parent.children;
	let end: Node = rule;
	for (const node of siblings.slice(siblings.indexOf(rule) + 1)) {
		if (node.kind === 'comment') continue;
		if (!isMedia(node) || !found(node, selector)) break;
		end = node;
	}
	return end;
}

/**
 * Writes a value into a sheet in the sheet's own hand: into the rule of that selector (in the block of that condition,
 * after what it overrides) where there is one, else into a new rule in that block, else into a new block where this
 * sheet has its conditions. Nothing that stands there is set otherwise, and no comment is lost.
 */
export function writeInto(sheet: Sheet, { selector, condition, base }: Into, wished: Wished): Written {
	const hand = handOf(sheet);
	const home: Block = base?.parent ?? sheet;
	const rule = (outer: string): string => ruleText(hand, selector, wished, outer);
	if (!condition) {
		const known = base && plain(nodeSelector(base)) === plain(selector) ? base : found(home, selector);
		if (known) return into(sheet, known, wished);
		return base ? { changes: after(sheet, base, rule, hand) } : last(sheet, home, rule, hand);
	}
	if (base && plain(nodeSelector(base)) === plain(selector)) {
		const nested = base.children.findLast(
			(node) => isMedia(node) && condition.same(sliceOf(sheet.source, node.prelude))
		);
		if (nested?.kind === 'at-rule') return into(sheet, nested, wished);
	}
	const blocks = home.children.filter(
		(node) =>
			isMedia(node) &&
			node.span.start > (base?.span.start ?? -1) &&
			condition.same(sliceOf(sheet.source, node.prelude))
	) as AtRule[];
	const holding = blocks.findLast((block) => found(block, selector));
	const known = holding && found(holding, selector);
	if (known) return into(sheet, known, wished);
	const block = blocks.at(-1);
	if (block) return last(sheet, block, rule, hand);
	const media = (outer: string): string =>
		`@media ${condition.text} {\n${outer}${hand.indent}${rule(outer + hand.indent)}\n${outer}}`;
	if (base && hand.media === 'nested' && plain(nodeSelector(base)) === plain(selector)) {
		const declaration = `${wished.property}:${hand.afterColon}${written(wished)}${hand.lastSemicolon ? ';' : ''}`;
		return last(
			sheet,
			base,
			(outer) => `@media ${condition.text} {\n${outer}${hand.indent}${declaration}\n${outer}}`,
			hand
		);
	}
	if (base && hand.media === 'beside')
		return { changes: after(sheet, lastBeside(base, selector), media, hand) };
	return last(sheet, home, media, hand);
}
