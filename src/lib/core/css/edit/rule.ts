import type { Change } from '../../text/index.ts';
import { isClosed, sliceOf, type AtRule, type Block, type Node, type Rule, type Sheet } from '../node.ts';
import { declarationText, setDeclaration, type Wished } from './declaration.ts';
import { closeOf, handOf, type Hand } from './hand.ts';
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

const isMedia = (node: Node): node is AtRule =>
	node.kind === 'at-rule' && node.name === 'media' && node.block !== null && !node.opaque;

/** A rule's only declaration in a sheet's hand, with its semicolon where that has one. */
const onlyDeclaration = (hand: Hand, wished: Wished): string =>
	declarationText(hand, wished) + (hand.lastSemicolon ? ';' : '');

/** A rule as a sheet's hand sets it, every line after the first indented by `outer`. */
function ruleText(hand: Hand, selector: string, wished: Wished, outer: string): string {
	const declaration = onlyDeclaration(hand, wished);
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
		before?.kind === 'declaration' && closeOf(source, before) === 0
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

/** Changes within a block, unless that is left open. */
const ifClosed = ({ source }: Sheet, block: Rule | AtRule, changes: () => Change[]): Written =>
	isClosed(source, block)
		? { changes: changes() }
		: { refused: 'The block that begins here is never closed.', at: block.span.start };

/** Puts a text at the end of a block or sheet. */
function last(sheet: Sheet, block: Block, text: (outer: string) => string, hand: Hand): Written {
	if (block.kind !== 'sheet') {
		return ifClosed(sheet, block, () => atEndOf(sheet, block, text, hand));
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

const isFor = ({ source }: Sheet, rule: Rule, selector: string): boolean =>
	plain(sliceOf(source, rule.prelude)) === plain(selector);

const found = (sheet: Sheet, block: Block, selector: string): Rule | undefined =>
	block.children.findLast((node): node is Rule => node.kind === 'rule' && isFor(sheet, node, selector));

/** The conditions straight after a rule that are about its selector: a further one comes after them. */
function lastBeside(sheet: Sheet, rule: Rule, selector: string): Node {
	const siblings = rule.parent.children;
	let end: Node = rule;
	for (const node of siblings.slice(siblings.indexOf(rule) + 1)) {
		if (node.kind === 'comment') continue;
		if (!isMedia(node) || !found(sheet, node, selector)) break;
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
	const isOwn = base !== undefined && isFor(sheet, base, selector);
	const set = (block: Rule | AtRule): Written =>
		ifClosed(sheet, block, () => setDeclaration(sheet, block, wished));
	const rule = (outer: string): string => ruleText(hand, selector, wished, outer);
	if (!condition) {
		const known = isOwn ? base : found(sheet, home, selector);
		if (known) return set(known);
		return base ? { changes: after(sheet, base, rule, hand) } : last(sheet, home, rule, hand);
	}
	const isSame = (node: Node): node is AtRule =>
		isMedia(node) && condition.same(sliceOf(sheet.source, node.prelude));
	const nested = isOwn ? base.children.findLast(isSame) : undefined;
	if (nested) return set(nested);
	const blocks = home.children.filter(isSame).filter(({ span }) => span.start > (base?.span.start ?? -1));
	const holding = blocks.findLast((block) => found(sheet, block, selector));
	const known = holding && found(sheet, holding, selector);
	if (known) return set(known);
	const block = blocks.at(-1);
	if (block) return last(sheet, block, rule, hand);
	const media =
		(inner: (outer: string) => string) =>
		(outer: string): string =>
			`@media ${condition.text} {\n${outer}${hand.indent}${inner(outer + hand.indent)}\n${outer}}`;
	if (isOwn && hand.media === 'nested')
		return last(
			sheet,
			base,
			media(() => onlyDeclaration(hand, wished)),
			hand
		);
	if (base && hand.media === 'beside')
		return { changes: after(sheet, lastBeside(sheet, base, selector), media(rule), hand) };
	return last(sheet, home, media(rule), hand);
}
