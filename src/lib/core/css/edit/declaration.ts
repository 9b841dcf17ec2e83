import { lineStart, type Change } from '../../text/index.ts';
import {
	isClosed,
	isDeclaration,
	leadingComments,
	sliceOf,
	type AtRule,
	type Block,
	type Declaration,
	type Rule,
	type Sheet,
	type Span
} from '../node.ts';
import { closeOf, handOf } from './hand.ts';
import { commentsAfter, indentAt, isFirstOnLine } from './line.ts';
import { neighbourOf } from './order.ts';
import { spelled } from './value.ts';

/** A declaration as it is to be. */
export interface DeclarationRequest {
	readonly property: string;
	readonly value: string;
	readonly important?: boolean;
}

/** A custom property keeps its case (CSS Variables 1 §2). */
const nameOf = (property: string): string => (property.startsWith('--') ? property : property.toLowerCase());

/** The last declaration of a property straight in a block: the one that counts there. */
export const declarationIn = (block: Rule | AtRule, property: string): Declaration | undefined =>
	block.children.filter(isDeclaration).findLast((one) => one.property === nameOf(property));

const written = ({ value, important = false }: DeclarationRequest): string =>
	important ? `${value} !important` : value;

/** A new declaration in a sheet's hand, without its semicolon. */
export function declarationText(sheet: Sheet, requested: DeclarationRequest): string {
	const value = spelled(sheet, requested.value);
	return `${requested.property}:${handOf(sheet).afterColon}${written({ ...requested, value })}`;
}

/** A new declaration, after the one that it is at home beside, or at the head of its block. */
function inserted(sheet: Sheet, block: Rule | AtRule, requested: DeclarationRequest): Change[] {
	const { source } = sheet;
	const hand = handOf(sheet);
	const text = declarationText(sheet, requested);
	const beside = neighbourOf(sheet, block, requested.property);
	if (beside) {
		const close = closeOf(source, beside);
		const end = beside.span.end + close + commentsAfter(source, beside.span.end + close);
		const space = isFirstOnLine(source, beside.span.start) ? `\n${indentAt(source, beside.span.start)}` : ' ';
		// A last declaration without a semicolon stays one: the new one takes its place.
		if (close > 0) return [{ start: end, end, text: `${space}${text};` }];
		return [
			{ start: beside.span.end, end: beside.span.end, text: ';' },
			{ start: end, end, text: `${space}${text}` }
		];
	}
	const head = block.block?.start;
	if (head === undefined) return [];
	const inner = source.slice(head + 1, (block.block?.end ?? head) - 1);
	const close = hand.lastSemicolon ? ';' : '';
	if (inner.trim() === '') {
		const outer = indentAt(source, block.span.start);
		const filled = hand.oneLine ? ` ${text}${close} ` : `\n${outer}${hand.indent}${text}${close}\n${outer}`;
		return [{ start: head + 1, end: head + 1 + inner.length, text: filled }];
	}
	const [space = ''] = /^\s*/.exec(inner) ?? [];
	return [{ start: head + 1, end: head + 1, text: `${space || ' '}${text};` }];
}

/**
 * Sets a property straight in a rule (or in a condition within one): the value of the declaration that counts there is
 * replaced; where none is, one is added. No changes where it is so already, or where the block is left open.
 */
export function setDeclaration(sheet: Sheet, block: Rule | AtRule, request: DeclarationRequest): Change[] {
	const { source } = sheet;
	const known = declarationIn(block, request.property);
	if (!known) return isClosed(source, block) ? inserted(sheet, block, request) : [];
	const requested = { ...request, value: spelled(sheet, request.value) };
	const same =
		[request.value, requested.value].includes(sliceOf(source, known.value)) &&
		known.important === (requested.important ?? false);
	if (same) return [];
	const end = known.important === (requested.important ?? false) ? known.value.end : known.span.end;
	const text = known.important && requested.important ? requested.value : written(requested);
	return [{ start: known.value.start, end, text }];
}

/** Takes a declaration out; its line with it, where nothing else stands on it. Comments stay. */
export function removeDeclaration({ source }: Sheet, declaration: Declaration): Change[] {
	const { start } = declaration.span;
	const [after = ''] = /^\s*;/.exec(source.slice(declaration.span.end)) ?? [];
	const end = declaration.span.end + after.length;
	const rest = source.slice(end);
	if (isFirstOnLine(source, start) && /^[^\S\n]*\n/.test(rest)) {
		const line = lineStart(source, start);
		return [{ start: line, end: end + (rest.indexOf('\n') + 1), text: '' }];
	}
	const [space = ''] = /^[^\S\n]*/.exec(rest) ?? [];
	if (!rest.slice(space.length).startsWith('}')) return [{ start, end: end + space.length, text: '' }];
	const [before = ''] = /[^\S\n]*$/.exec(source.slice(0, start)) ?? [];
	return [{ start: start - before.length, end, text: '' }];
}

/**
 * Takes a declaration out, and with it the rule and the conditions around it that nothing is left of. What holds or
 * has comments stays.
 */
export function removeWithEmptied(sheet: Sheet, declaration: Declaration): Change[] {
	const { source } = sheet;
	let emptied: Rule | AtRule | undefined;
	for (let at: Block = declaration.parent; at.kind !== 'sheet'; at = at.parent) {
		if (at.children.length > 1 || leadingComments(source, at).length > 0 || !isClosed(source, at)) break;
		emptied = at;
	}
	return emptied ? removeBlock(sheet, emptied.span) : removeDeclaration(sheet, declaration);
}

/** Takes a rule or at-rule out with its line, and one of the empty lines around it. */
export function removeBlock({ source }: Sheet, { start, end }: Span): Change[] {
	const [rest = ''] = /^[^\S\n]*(?:\n(?:[^\S\n]*\n)?|$)/.exec(source.slice(end)) ?? [];
	if (rest === '' || !isFirstOnLine(source, start)) {
		const [space = ''] = /^[^\S\n]*/.exec(source.slice(end)) ?? [];
		return [{ start, end: end + space.length, text: '' }];
	}
	// Of the empty lines around it one is left before what follows, and none before a block's end.
	const line = lineStart(source, start);
	const isLast = /^\s*(\}|$)/.test(source.slice(end + rest.length));
	const [above = '\n'] = isLast ? (/\n(?:[^\S\n]*\n)*$/.exec(source.slice(0, line)) ?? []) : [];
	return [{ start: line - above.length + 1, end: end + rest.length, text: '' }];
}

/** Gives a declaration another property; nothing else of it changes. */
export const renameDeclaration = ({ name }: Declaration, property: string): Change[] => [
	{ ...name, text: property }
];
