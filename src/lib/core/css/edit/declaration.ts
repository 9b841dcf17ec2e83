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

/** A declaration to be written. */
export interface DeclarationRequest {
	readonly property: string;
	readonly value: string;
	readonly important?: boolean;
}

/** Names of custom properties are case-sensitive (CSS Variables 1 §2). */
const nameOf = (property: string): string => (property.startsWith('--') ? property : property.toLowerCase());

/** The last declaration of a property directly in a block: the one that counts there. */
export const declarationIn = (block: Rule | AtRule, property: string): Declaration | undefined =>
	block.children.filter(isDeclaration).findLast((one) => one.property === nameOf(property));

const written = ({ value, important = false }: DeclarationRequest): string =>
	important ? `${value} !important` : value;

/** A new declaration in the sheet's own style, without a semicolon. */
export function declarationText(sheet: Sheet, requested: DeclarationRequest): string {
	const value = spelled(sheet, requested.value);
	return `${requested.property}:${handOf(sheet).afterColon}${written({ ...requested, value })}`;
}

/** A new declaration, after the one that it belongs beside, or at the start of its block. */
function inserted(sheet: Sheet, block: Rule | AtRule, requested: DeclarationRequest): Change[] {
	const { source } = sheet;
	const hand = handOf(sheet);
	const text = declarationText(sheet, requested);
	const beside = neighbourOf(sheet, block, requested.property);
	if (beside) {
		const close = closeOf(source, beside);
		const end = beside.span.end + close + commentsAfter(source, beside.span.end + close);
		const space = isFirstOnLine(source, beside.span.start) ? `\n${indentAt(source, beside.span.start)}` : ' ';
		// A last declaration without a semicolon stays so: the new one goes before it.
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
 * Sets a property directly in a rule (or in a condition within one): replaces the value of the declaration that
 * counts there, or adds one. No changes where the value is already set, or where the block is not closed.
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

/** Removes a declaration, and its line where nothing else is on it. Comments stay. */
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
 * Removes a declaration, together with the rule and conditions around it that become empty. Blocks with other content
 * or comments stay.
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

/** Removes a rule or at-rule with its line, and one of the empty lines around it. */
export function removeBlock({ source }: Sheet, { start, end }: Span): Change[] {
	const [rest = ''] = /^[^\S\n]*(?:\n(?:[^\S\n]*\n)?|$)/.exec(source.slice(end)) ?? [];
	if (rest === '' || !isFirstOnLine(source, start)) {
		const [space = ''] = /^[^\S\n]*/.exec(source.slice(end)) ?? [];
		return [{ start, end: end + space.length, text: '' }];
	}
	// One of the empty lines is kept before a following rule, none before the end of a block.
	const line = lineStart(source, start);
	const isLast = /^\s*(\}|$)/.test(source.slice(end + rest.length));
	const [above = '\n'] = isLast ? (/\n(?:[^\S\n]*\n)*$/.exec(source.slice(0, line)) ?? []) : [];
	return [{ start: line - above.length + 1, end: end + rest.length, text: '' }];
}

/** Changes the property of a declaration, and nothing else. */
export const renameDeclaration = ({ name }: Declaration, property: string): Change[] => [
	{ ...name, text: property }
];
