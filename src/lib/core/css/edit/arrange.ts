import { done, refuse, type Change, type Result } from '../../text/index.ts';
import {
	isClosed,
	leadingComments,
	sliceOf,
	startWithComments,
	walk,
	type AtRule,
	type Block,
	type Node,
	type Rule,
	type Sheet,
	type Span
} from '../node.ts';
import { isPrologue } from '../prologue.ts';
import { runAt } from '../run.ts';
import { removeBlock } from './declaration.ts';
import { closeOf, handOf } from './hand.ts';
import { indentAt } from './line.ts';
import { reindentedLines } from './lines.ts';
import { plain, type Written } from './rule.ts';

/** A rule, or an at-rule that contains rules. */
type Holder = Rule | AtRule;

const isHolder = (node: Node): node is Holder =>
	node.kind === 'rule' || (node.kind === 'at-rule' && node.block !== null && !node.opaque);

/** From a block's selector or condition to its opening brace. */
const headOf = (source: string, { span, block }: Holder): string =>
	source.slice(span.start, (block?.start ?? span.start) + 1);

/** The text between a block's braces. */
const innerOf = ({ block }: Holder): Span => ({
	start: (block?.start ?? 0) + 1,
	end: (block?.end ?? 1) - 1
});

/** A text with every line after the first moved from one indentation to another, keeping its own steps. */
const reindented = (text: string, from: string, to: string, was: string, step: string): string =>
	reindentedLines(text, (indent) => {
		if (!indent.startsWith(from)) return indent;
		let rest = indent.slice(from.length);
		let further = '';
		for (; was !== '' && rest.startsWith(was); rest = rest.slice(was.length)) further += step;
		return to + further + rest;
	});

/** The nodes around an offset, innermost first. */
function around(sheet: Sheet, offset: number): Node[] {
	const found: Node[] = [];
	for (const node of walk(sheet)) {
		if (node.kind === 'comment') continue;
		if (startWithComments(sheet.source, node) <= offset && offset <= node.span.end) found.unshift(node);
	}
	return found;
}

const openBlock = (block: Holder) => refuse('The block that begins here is never closed.', block.span.start);

/**
 * Writes a comment over the rules that a selection touches, at their indentation; does nothing where the same comment
 * is already there.
 */
export function commentOver(sheet: Sheet, from: number, to: number, words: string): Written {
	const { source } = sheet;
	const run = runAt(sheet, from, to);
	if (!run) return refuse('Here is no rule to write a comment over.', from);
	const lines = words.replaceAll('*/', '* /').trim().split(/\n/);
	if (lines[0] === '') return refuse('A comment needs words.', from);
	const indent = indentAt(source, run.start);
	const text = `/* ${lines.map((line) => line.trim()).join(`\n${indent}   `)} */`;
	if (source.startsWith(text, run.start)) return done({ changes: [] });
	return done({ changes: [{ start: run.start, end: run.start, text: `${text}\n${indent}` }] });
}

/**
 * Splits a block in two with the same selector or condition: before the declaration at an offset, or before its rule
 * where it is the first declaration.
 */
export function partBlock(sheet: Sheet, offset: number): Written {
	const { source } = sheet;
	for (const node of around(sheet, offset)) {
		const { parent } = node;
		if (parent.kind === 'sheet') break;
		const first = parent.children.find(({ kind }) => kind !== 'comment');
		if (node === first) continue;
		if (!isClosed(source, parent)) return openBlock(parent);
		const at = startWithComments(source, node);
		const end = source.slice(0, at).trimEnd().length;
		const outer = indentAt(source, parent.span.start);
		const gap = handOf(sheet).apart ? '\n\n' : '\n';
		const isOpen = source.slice(end, at).includes('\n');
		const [close, begin] = isOpen ? [`\n${outer}}`, `\n${outer}${handOf(sheet).indent}`] : [' }', ' '];
		return done({
			changes: [{ start: end, end: at, text: `${close}${gap}${outer}${headOf(source, parent)}${begin}` }]
		});
	}
	return refuse('Nothing stands before this place in its block: there is nothing to part.', offset);
}

/** Whether two adjacent blocks have the same selector or condition. */
function isAlike({ source }: Sheet, a: Holder, b: Holder, same: (a: string, b: string) => boolean): boolean {
	if (a.kind !== b.kind || (a.kind === 'at-rule' && b.kind === 'at-rule' && a.name !== b.name)) return false;
	const [first, second] = [plain(sliceOf(source, a.prelude)), plain(sliceOf(source, b.prelude))];
	return first === second || (a.kind === 'at-rule' && a.name === 'media' && same(first, second));
}

/** Merged blocks: the changes, how many there were, and how many rules stand between them. */
export type Joined = Result<
	{ readonly changes: Change[]; readonly count: number; readonly between: number },
	number
>;

/**
 * Merges all blocks with the same selector or condition into the one at an offset, in order, with their comments.
 * `same` decides whether two media queries are equivalent, however they are written.
 */
export function joinBlocks(sheet: Sheet, offset: number, same: (a: string, b: string) => boolean): Joined {
	const { source } = sheet;
	for (const node of around(sheet, offset).filter(isHolder)) {
		const siblings = node.parent.children.filter(isHolder);
		const alike = siblings.filter((one) => isAlike(sheet, one, node, same));
		if (alike.length < 2) continue;
		const open = alike.find((one) => !isClosed(source, one));
		if (open) return openBlock(open);
		const hand = handOf(sheet);
		const outer = indentAt(source, node.span.start);
		const step = `${outer}${hand.indent}`;
		const gap = node.kind === 'rule' ? '\n' : hand.apart ? '\n\n' : '\n';
		const bodyOf = (one: Holder): string => {
			const { start, end } = innerOf(one);
			const last = one.children.findLast(({ kind }) => kind !== 'comment');
			const isOpen = one !== alike.at(-1) && last?.kind === 'declaration' && closeOf(source, last) === 0;
			const inner = isOpen
				? `${source.slice(start, last.span.end)};${source.slice(last.span.end, end)}`
				: source.slice(start, end);
			const comments = leadingComments(source, one).map(({ span }) => sliceOf(source, span));
			const own = reindented(inner.trim(), `${indentAt(source, one.span.start)}${hand.indent}`, step, '', '');
			return [...(one === node ? [] : comments), own].filter((text) => text !== '').join(`\n${step}`);
		};
		const body = alike
			.map(bodyOf)
			.filter((text) => text !== '')
			.join(`${gap}${step}`);
		let taken = 0;
		const removed = alike
			.filter((one) => one !== node)
			.flatMap((one) =>
				removeBlock(sheet, {
					start: startWithComments(source, one),
					end: one.span.end
				})
			)
			.map((change) => {
				// Two neighbours may both claim the empty line between them.
				const start = Math.max(change.start, taken);
				taken = change.end;
				return { ...change, start };
			});
		const indices = alike.map((one) => siblings.indexOf(one));
		const between = Math.max(...indices) - Math.min(...indices) + 1 - alike.length;
		const changes = [...removed, { ...innerOf(node), text: `\n${step}${body}\n${outer}` }];
		return done({ changes: changes.sort((a, b) => a.start - b.start), count: alike.length, between });
	}
	return refuse('No other block beside this one has its selector or condition.', offset);
}

/** Rules being moved: their text with comments, and the conditions around them. */
export interface Taken {
	readonly text: string;
	/** The indentation of the first line. */
	readonly indent: string;
	/** One step of indentation at their old place. */
	readonly step: string;
	/** From the outermost inwards. */
	readonly under: readonly { readonly name: string; readonly prelude: string }[];
	readonly count: number;
}

/**
 * Cuts the rules that a selection touches out of a sheet, with their comments; blocks around them that become empty
 * are removed too.
 */
export function takeRules(
	sheet: Sheet,
	from: number,
	to: number
): Result<{ readonly taken: Taken; readonly changes: Change[] }, number> {
	const { source } = sheet;
	const run = runAt(sheet, from, to);
	if (!run) return refuse('Here is no rule to move.', from);
	const kept = run.nodes.find(isPrologue);
	if (kept)
		return refuse(
			`\`@${(kept as AtRule).name}\` counts only at the head of a sheet: it stays where it is.`,
			kept.span.start
		);
	let { start, end }: Span = run;
	const under: Taken['under'][number][] = [];
	let isAlone = true;
	for (let at = run.parent; at.kind !== 'sheet'; at = at.parent) {
		if (!isClosed(source, at)) return openBlock(at);
		if (at.kind === 'at-rule') under.unshift({ name: at.name, prelude: sliceOf(source, at.prelude) });
		isAlone &&= at.children.every(({ span }) => start <= span.start && span.end <= end);
		if (!isAlone) continue;
		start = startWithComments(source, at);
		end = at.span.end;
	}
	const taken = {
		text: source.slice(run.start, run.end),
		indent: indentAt(source, run.start),
		step: handOf(sheet).indent,
		under,
		count: run.nodes.length
	};
	return done({ taken, changes: removeBlock(sheet, { start, end }) });
}

/**
 * Adds rules at the end of a sheet under their conditions: in the last block with these conditions, where there is
 * one. With a layer they go into that layer instead of their former one.
 */
export function putRules(sheet: Sheet, { text, indent, step: was, under }: Taken, layer?: string): Written {
	const { source } = sheet;
	if (sheet.closing !== '')
		return refuse('What begins here is never closed.', sheet.notes.at(-1)?.span.start ?? 0);
	const step = handOf(sheet).indent;
	const heads =
		layer === undefined
			? under
			: [{ name: 'layer', prelude: layer }, ...under.filter(({ name }) => name !== 'layer')];
	let home: Block = sheet;
	let known = 0;
	for (const { name, prelude } of heads) {
		const found: AtRule | undefined = home.children.findLast(
			(node): node is AtRule =>
				node.kind === 'at-rule' &&
				node.name === name &&
				node.block !== null &&
				plain(sliceOf(source, node.prelude)) === plain(prelude)
		);
		if (!found) break;
		home = found;
		known++;
	}
	const isSheet = home.kind === 'sheet';
	const around = isSheet ? '' : indentAt(source, home.span.start);
	const outer = isSheet ? '' : `${around}${step}`;
	const rest = heads.slice(known);
	const depth = (i: number): string => outer + step.repeat(i);
	const opened = rest.map(({ name, prelude }, i) => `@${name} ${prelude} {\n${depth(i + 1)}`).join('');
	const closed = rest.map((_, i) => `\n${depth(rest.length - 1 - i)}}`).join('');
	const own = reindented(text, indent, depth(rest.length), was, step);
	const { start: least, end } = home.kind === 'sheet' ? { start: 0, end: source.length } : innerOf(home);
	const start = least + source.slice(least, end).trimEnd().length;
	const gap = start > least ? (handOf(sheet).apart ? '\n\n' : '\n') : isSheet ? '' : '\n';
	return done({
		changes: [{ start, end, text: `${gap}${outer}${opened}${own}${closed}\n${around}` }]
	});
}
