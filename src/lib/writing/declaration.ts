import type { Candidate } from '../core/cascade/index.ts';
import {
	parseSheet,
	ruleAt,
	sliceOf,
	walk,
	type Declaration,
	type Rule,
	type Sheet
} from '../core/css/index.ts';
import {
	setDeclaration,
	removeWithEmptied,
	writeInto,
	type DeclarationRequest
} from '../core/css/edit/index.ts';
import { fromInterval, isEverything, type Interval } from '../core/interval/index.ts';
import type { Direction } from '../core/media/index.ts';
import { wholeSelector } from '../core/selector/index.ts';
import { DONE, refuse, shifted, type Refusal, type Result } from '../core/text/index.ts';
import { conditionFor, NO_CONDITION, sheetDirection } from './condition.ts';
import { sheetPartAt, sheetParts } from './sheetParts.ts';
import type { Working } from './working.ts';

/** Where a value is to be written. */
export type Target =
	| {
			readonly kind: 'rule';
			readonly file: string;
			readonly selector: string;
			/** Offset in the file of the rule that it overrides or that sets it so far; null for a rule at the end. */
			readonly after: number | null;
	  }
	/** The style attribute that sets it so far: the place of the declaration. */
	| { readonly kind: 'style'; readonly file: string; readonly start: number; readonly end: number };

/** A value as written in a declaration, with its flag. */
export const withFlag = (text: string, from: Candidate | undefined): string =>
	from?.important ? `${text} !important` : text;

/** What is to be written for a property: a value without its flag, and whether it has one. */
export function requestOf(
	property: string,
	written: string
): DeclarationRequest & { readonly important: boolean } {
	const [, bare = written, flag] = /^([\s\S]*?)\s*(!\s*important)?\s*$/i.exec(written) ?? [];
	return { property, value: bare.trim(), important: flag !== undefined };
}

/** The texts in which edits are made, and which of them are given. */
export interface Desk {
	readonly working: Working;
	readonly kind: (file: string) => 'page' | 'sheet';
	readonly isGiven: (file: string) => boolean;
}

/** A sheet in a file: all of it, or a `<style>` of a page. */
export interface Part {
	readonly sheet: Sheet;
	/** Where it begins in the file. */
	readonly from: number;
}

/** The sheet around an offset of a file as it was before all changes; without an offset the file's last sheet. */
export function partAt({ working, kind }: Desk, file: string, offset: number | null): Part | undefined {
	const text = working.text(file);
	if (text === undefined) return undefined;
	const part =
		offset === null
			? sheetParts(text, kind(file)).at(-1)
			: sheetPartAt(text, kind(file), working.now(file, offset));
	return part && { sheet: parseSheet(text.slice(part.start, part.end)), from: part.start };
}

/** The direction of the target's sheet. */
export function directionAt(desk: Desk, target: Target): Direction {
	const part = target.kind === 'rule' ? partAt(desk, target.file, target.after) : undefined;
	return part ? sheetDirection(part.sheet) : 'up';
}

/** Why nothing is written into a file. */
export const locked = (file: string): Refusal => refuse(`${file} is given: it is left as it is.`);

/** The rule that begins at an offset of a sheet. */
export function ruleFrom(sheet: Sheet, offset: number): Rule | undefined {
	for (const node of walk(sheet)) if (node.kind === 'rule' && node.span.start === offset) return node;
	return undefined;
}

/** Writes a value to a target, for an interval of widths or (null) for all. */
export function writeValue(
	desk: Desk,
	target: Target,
	interval: Interval | null,
	requested: DeclarationRequest
): Result {
	const { file } = target;
	if (desk.isGiven(file)) return locked(file);
	if (target.kind === 'style') {
		if (interval) return refuse('A style attribute holds at every width: it has no conditions.');
		const start = desk.working.now(file, target.start);
		const css = (desk.working.text(file) ?? '').slice(start, desk.working.now(file, target.end));
		const sheet = parseSheet(`*{${css}}`);
		const [rule] = sheet.children;
		if (rule?.kind !== 'rule') return refuse('The style attribute cannot be read.');
		desk.working.change(file, shifted(setDeclaration(sheet, rule, requested), start - 2));
		return DONE;
	}
	const part = partAt(desk, file, target.after);
	if (!part) return refuse(`${file} has no sheet to write in.`);
	const { sheet, from } = part;
	const isConditional = interval !== null && !isEverything(fromInterval(interval));
	const condition = isConditional ? conditionFor(sheet, interval) : null;
	if (condition === undefined) return refuse(NO_CONDITION);
	const base =
		target.after === null ? undefined : ruleFrom(sheet, desk.working.now(file, target.after) - from);
	const into = { selector: target.selector, condition, ...(base ? { base } : {}) };
	const done = writeInto(sheet, into, requested);
	if (!done.ok) return refuse(done.sentence, { path: file, offset: from + done.place });
	desk.working.change(file, shifted(done.value.changes, from));
	return DONE;
}

/** The declaration that begins at an offset of a file. */
function declarationFrom(
	desk: Desk,
	file: string,
	offset: number
): { readonly part: Part; readonly node: Declaration } | undefined {
	const part = partAt(desk, file, offset);
	if (!part) return undefined;
	const at = desk.working.now(file, offset) - part.from;
	for (const node of walk(part.sheet))
		if (node.kind === 'declaration' && node.span.start === at) return { part, node };
	return undefined;
}

/** Sets a property in the rule, or style attribute, of a declaration, by its place before all changes. */
export function setBeside(desk: Desk, { file, span, hit }: Candidate, requested: DeclarationRequest): Result {
	if (desk.isGiven(file)) return locked(file);
	const found = hit ? declarationFrom(desk, file, span.start) : undefined;
	if (!hit) return writeValue(desk, { kind: 'style', file, ...span }, null, requested);
	if (!found || found.node.parent.kind === 'sheet')
		return refuse('The rule of this declaration is no longer there.');
	const { sheet, from } = found.part;
	desk.working.change(file, shifted(setDeclaration(sheet, found.node.parent, requested), from));
	return DONE;
}

/** Removes declarations of sheets and style attributes, by their places before all changes. */
export function takeOutAll(desk: Desk, places: readonly Candidate[]): Result {
	const given = places.find(({ file }) => desk.isGiven(file));
	if (given) return locked(given.file);
	for (const { file, span, hit, written } of places) {
		if (!hit) {
			const [start, end] = [desk.working.now(file, span.start), desk.working.now(file, span.end)];
			const [close = ''] = /^\s*;?\s*/.exec(desk.working.text(file)?.slice(end) ?? '') ?? [];
			desk.working.change(file, [{ start, end: end + close.length, text: '' }]);
			continue;
		}
		const found = declarationFrom(desk, file, span.start);
		// The screen may be a moment behind the text: only what is still there is removed.
		if (!found || sliceOf(found.part.sheet.source, found.node.value) !== written)
			return refuse('This declaration cannot be removed as it stands now.', {
				path: file,
				offset: span.start
			});
		desk.working.change(file, shifted(removeWithEmptied(found.part.sheet, found.node), found.part.from));
	}
	return DONE;
}

/** The rule of a candidate in a sheet, by its selector and place; undefined for attributes. */
export function ruleOf(
	desk: Desk,
	{ file, span, hit }: Candidate
): { readonly selector: string; readonly after: number } | undefined {
	const part = hit ? partAt(desk, file, span.start) : undefined;
	const rule = part && ruleAt(part.sheet, span.start - part.from);
	return rule && { selector: wholeSelector(part.sheet.source, rule), after: part.from + rule.span.start };
}
