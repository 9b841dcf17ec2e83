import { wholeSelector } from '../../selector/index.ts';
import { done, refuse, type Change, type Result } from '../../text/index.ts';
import {
	isClosed,
	sliceOf,
	startWithComments,
	type AtRule,
	type Block,
	type Node,
	type Rule,
	type Sheet
} from '../node.ts';
import { declarationText, setDeclaration, type DeclarationRequest } from './declaration.ts';
import { closeOf, handOf, type Hand } from './hand.ts';
import { commentsAfter, indentAt } from './line.ts';

/** A condition of widths, as the sheet would write it. */
export interface RequestedCondition {
	readonly text: string;
	/** Whether another condition, as written, holds at the same widths. */
	same(prelude: string): boolean;
	/** Whether its block comes before another's in the sheet's order: the narrower condition overrides. */
	before(prelude: string): boolean;
}

/** Where a value is to be written. */
export interface Into {
	readonly selector: string;
	/** Null for every width. */
	readonly condition: RequestedCondition | null;
	/** The rule to be overridden, or that sets the value so far; what is new comes after it, in the same layer. */
	readonly base?: Rule;
	/** Whether a new rule comes before all others. */
	readonly first?: boolean;
}

/** The changes of a text, or why there are none, with the place. */
export type Written = Result<{ readonly changes: Change[] }, number>;

/** A selector or condition with single spaces. */
export const plain = (prelude: string): string => prelude.replace(/\s+/g, ' ').trim();

const isBlock = (node: Node): boolean =>
	node.kind === 'rule' || (node.kind === 'at-rule' && node.block !== null);

const isMedia = (node: Node): node is AtRule =>
	node.kind === 'at-rule' && node.name === 'media' && node.block !== null && !node.opaque;

/** A rule's only declaration in the sheet's style, with a semicolon where the sheet writes one. */
const onlyDeclaration = (sheet: Sheet, requested: DeclarationRequest): string =>
	declarationText(sheet, requested) + (handOf(sheet).lastSemicolon ? ';' : '');

/** A rule in the sheet's style, every line after the first indented by `outer`. */
function ruleText(sheet: Sheet, selector: string, requested: DeclarationRequest, outer: string): string {
	const hand = handOf(sheet);
	const declaration = onlyDeclaration(sheet, requested);
	const open = `${selector.replace(/\n[^\S\n]*/g, `\n${outer}`)}${hand.beforeBrace}{`;
	return hand.oneLine
		? `${open} ${declaration} }`
		: `${open}\n${outer}${hand.indent}${declaration}\n${outer}}`;
}

const gapOf = (hand: Hand): string => (hand.apart ? '\n\n' : '\n');

/** Adds a text at the end of a block, indented one step more than the block itself. */
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
	// In a rule, whatever follows its declarations is separated from them as rules are.
	const added = `${gapOf(hand)}${outer}${hand.indent}${text(outer + hand.indent)}`;
	return [...closing, { start: last, end: last, text: added }];
}

/** Adds a text after a node of a block. */
function after(sheet: Sheet, node: Node, text: (outer: string) => string, hand: Hand): Change[] {
	const outer = indentAt(sheet.source, node.span.start);
	const at = node.span.end + commentsAfter(sheet.source, node.span.end);
	return [{ start: at, end: at, text: `${gapOf(hand)}${outer}${text(outer)}` }];
}

/** Adds a text before a node of a block, and before the node's comments. */
function ahead(sheet: Sheet, node: Node, text: (outer: string) => string, hand: Hand): Change[] {
	const at = startWithComments(sheet.source, node);
	const outer = indentAt(sheet.source, at);
	return [{ start: at, end: at, text: `${text(outer)}${gapOf(hand)}${outer}` }];
}

/** Changes within a block, unless the block is not closed. */
const ifClosed = ({ source }: Sheet, block: Rule | AtRule, changes: () => Change[]): Written =>
	isClosed(source, block)
		? done({ changes: changes() })
		: refuse('The block that begins here is never closed.', block.span.start);

/** Adds a text at the end of a block or sheet. */
function last(sheet: Sheet, block: Block, text: (outer: string) => string, hand: Hand): Written {
	if (block.kind !== 'sheet') {
		return ifClosed(sheet, block, () => atEndOf(sheet, block, text, hand));
	}
	const { source } = sheet;
	if (sheet.closing !== '') {
		const open = sheet.notes.find(({ kind }) => kind.startsWith('unclosed'));
		return refuse('What begins here is never closed.', open?.span.start ?? source.length);
	}
	const end = source.trimEnd().length;
	const tail = source.slice(end);
	const gap = end === 0 ? '' : gapOf(hand);
	return done({
		changes: [{ start: end, end: source.length, text: `${gap}${text('')}${tail === '' ? '\n' : tail}` }]
	});
}

const isFor = ({ source }: Sheet, rule: Rule, selector: string): boolean =>
	plain(wholeSelector(source, rule)) === plain(selector);

const found = (sheet: Sheet, block: Block, selector: string): Rule | undefined =>
	block.children.findLast((node): node is Rule => node.kind === 'rule' && isFor(sheet, node, selector));

/** The conditions directly after a rule that contain its selector: a further one comes after or among them. */
function besides(sheet: Sheet, rule: Node, selector: string): AtRule[] {
	const siblings = rule.parent.children;
	const all: AtRule[] = [];
	for (const node of siblings.slice(siblings.indexOf(rule) + 1)) {
		if (node.kind === 'comment') continue;
		if (!isMedia(node) || !found(sheet, node, selector)) break;
		all.push(node);
	}
	return all;
}

/** The layer, `@scope` or sheet around a rule, and the node of it that contains the rule. */
function homeOf(
	sheet: Sheet,
	base: Rule | undefined
): { readonly home: Block; readonly anchor: Node | null } {
	if (!base) return { home: sheet, anchor: null };
	let anchor: Rule | AtRule = base;
	const passed = new Set(['media', 'supports', 'container']);
	for (;;) {
		const parent: Block = anchor.parent;
		if (parent.kind === 'sheet' || (parent.kind === 'at-rule' && !passed.has(parent.name)))
			return { home: parent, anchor };
		anchor = parent;
	}
}

/**
 * Writes a value into a sheet in the sheet's own style: into the rule with that selector (in the block with that
 * condition, after what it overrides) where there is one; otherwise into a new rule in that block; otherwise into a
 * new block where this sheet has its conditions, before narrower ones. Existing code is not reformatted, and no
 * comment is lost.
 */
export function writeInto(sheet: Sheet, into: Into, requested: DeclarationRequest): Written {
	const { selector, condition } = into;
	// Under a condition it overrides its own rule for every width.
	const base = into.base ?? found(sheet, sheet, selector);
	const hand = handOf(sheet);
	const { home, anchor } = homeOf(sheet, base);
	const from = anchor?.span.start ?? -1;
	const isOwn = base !== undefined && isFor(sheet, base, selector);
	const set = (block: Rule | AtRule): Written =>
		ifClosed(sheet, block, () => setDeclaration(sheet, block, requested));
	const rule = (outer: string): string => ruleText(sheet, selector, requested, outer);
	if (!condition) {
		// A rule under a condition covers some widths only, so it is not the one for all.
		const known = isOwn && anchor === base ? base : found(sheet, home, selector);
		if (known) return set(known);
		const first = into.first ? home.children.find(isBlock) : undefined;
		if (first) return done({ changes: ahead(sheet, first, rule, hand) });
		return anchor ? done({ changes: after(sheet, anchor, rule, hand) }) : last(sheet, home, rule, hand);
	}
	const isSame = (node: Node): node is AtRule =>
		isMedia(node) && condition.same(sliceOf(sheet.source, node.prelude));
	const isFiner = (node: Node): boolean =>
		isMedia(node) && condition.before(sliceOf(sheet.source, node.prelude));
	const own = isOwn && base.parent === home ? base : undefined;
	const nested = own?.children.findLast(isSame);
	if (nested) return set(nested);
	const blocks = home.children.filter(isSame).filter(({ span }) => span.start >= from);
	const holding = blocks.findLast((block) => found(sheet, block, selector));
	const known = holding && found(sheet, holding, selector);
	if (known) return set(known);
	const block = blocks.at(-1);
	if (block) return last(sheet, block, rule, hand);
	const media =
		(inner: (outer: string) => string) =>
		(outer: string): string =>
			`@media ${condition.text} {\n${outer}${hand.indent}${inner(outer + hand.indent)}\n${outer}}`;
	if (own && hand.media === 'nested') {
		const text = media(() => onlyDeclaration(sheet, requested));
		const finer = own.children.find(isFiner);
		return finer ? ifClosed(sheet, own, () => ahead(sheet, finer, text, hand)) : last(sheet, own, text, hand);
	}
	if (anchor && hand.media === 'beside') {
		const others = besides(sheet, anchor, selector);
		const finer = others.find(isFiner);
		const changes = finer
			? ahead(sheet, finer, media(rule), hand)
			: after(sheet, others.at(-1) ?? anchor, media(rule), hand);
		return done({ changes });
	}
	const finer = home.children.find((node) => node.span.start > from && isFiner(node));
	return finer
		? done({ changes: ahead(sheet, finer, media(rule), hand) })
		: last(sheet, home, media(rule), hand);
}

/** A new rule without declarations, and the offset, after the changes, at which its first declaration goes. */
export type NewRule = Result<{ readonly changes: Change[]; readonly caret: number }, number>;

/**
 * Adds a rule without declarations after another, in the same layer, or at the end of a sheet, in the sheet's own
 * style.
 */
export function newRule(sheet: Sheet, selector: string, base?: Rule): NewRule {
	const hand = handOf(sheet);
	const text = (outer: string): string =>
		`${selector}${hand.beforeBrace}{\n${outer}${hand.indent}\n${outer}}`;
	const { anchor } = homeOf(sheet, base);
	const written: Written = anchor
		? done({ changes: after(sheet, anchor, text, hand) })
		: last(sheet, sheet, text, hand);
	if (!written.ok) return written;
	const { changes } = written.value;
	const [change] = changes;
	const open = /\{\n[^\S\n]*(?=\n[^\S\n]*\})/.exec(change?.text ?? '');
	return done({ changes, caret: (change?.start ?? 0) + (open ? open.index + open[0].length : 0) });
}
