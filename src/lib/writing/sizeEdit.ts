import {
	parseSheet,
	sliceOf,
	walk,
	type AtRule,
	type Declaration,
	type Node,
	type Rule,
	type Sheet
} from '../core/css/index.ts';
import {
	commentOver,
	setDeclaration,
	spreadRule,
	removeWithEmptied,
	writeInto
} from '../core/css/edit/index.ts';
import { wholeSelector } from '../core/selector/index.ts';
import type { Declared } from '../core/scale/index.ts';
import { DONE, refuse, type Change, type Result } from '../core/text/index.ts';
import type { Desk } from './declaration.ts';

/** How our comments about sizes begin: a new one replaces the old. */
export const JUDGED = 'Judged at';

/** Where sizes are written. */
export interface SizesInto {
	readonly desk: Desk;
	/** The handwritten sheets of the page, in its order: their declarations are replaced in place. */
	readonly files: readonly string[];
	/** The sheet for new declarations. */
	readonly home: string;
}

const plain = (selector: string): string => selector.replace(/\s+/g, ' ').trim();

/** Whether a declaration is under a condition. */
function isConditional(declaration: Declaration): boolean {
	for (let at: Node | Sheet = declaration; at.kind !== 'sheet'; at = at.parent)
		if (at.kind === 'at-rule' && at.name !== 'layer') return true;
	return false;
}

/** The declarations of a property in the rules with exactly this selector, in source order. */
function saidIn(sheet: Sheet, { selector, property }: Declared): Declaration[] {
	const found: Declaration[] = [];
	for (const node of walk(sheet)) {
		if (node.kind !== 'declaration' || node.property !== property || node.parent.kind === 'sheet') continue;
		const rule = ruleAround(node);
		if (rule && plain(wholeSelector(sheet.source, rule)) === plain(selector)) found.push(node);
	}
	return found;
}

function ruleAround(declaration: Declaration): Rule | undefined {
	for (let at: Node | Sheet = declaration; at.kind !== 'sheet'; at = at.parent)
		if (at.kind === 'rule') return at;
	return undefined;
}

/** Whether a sheet has a one-line rule with exactly this selector. */
const isOneLine = (sheet: Sheet, { selector }: Pick<Declared, 'selector'>): boolean =>
	sheet.children.some(
		(node) =>
			node.kind === 'rule' &&
			plain(wholeSelector(sheet.source, node)) === plain(selector) &&
			!sliceOf(sheet.source, node.span).includes('\n')
	);

/**
 * Writes declarations for every width: where a rule with exactly that selector already sets the property, its value
 * is replaced there, and the same selector's declarations under conditions are removed; new ones go into the home
 * sheet.
 */
export function writeSizes(into: SizesInto, requested: readonly Declared[], comment = ''): Result {
	const { desk, home } = into;
	if (desk.isGiven(home)) return refuse(`${home} is given: it is left as it is. Choose another sheet.`);
	const files = into.files.filter((file) => !desk.isGiven(file));
	// Each sheet is parsed once.
	const missing: Declared[] = [];
	const placed = new Map<string, { sheet: Sheet; changes: Change[] }>();
	for (const file of files) {
		const text = desk.working.text(file);
		if (text !== undefined) placed.set(file, { sheet: parseSheet(text), changes: [] });
	}
	for (const one of requested) {
		const all = [...placed].flatMap(([file, { sheet }]) =>
			saidIn(sheet, one).map((declaration) => ({ file, sheet, declaration }))
		);
		const base = all.findLast(({ declaration }) => !isConditional(declaration));
		for (const { file, sheet, declaration } of all) {
			const changes = placed.get(file)?.changes;
			if (declaration === base?.declaration) {
				if (one.fallback !== '') continue;
				const { parent } = declaration;
				if (parent.kind !== 'sheet') changes?.push(...setDeclaration(sheet, parent as Rule | AtRule, one));
			} else changes?.push(...removeWithEmptied(sheet, declaration));
		}
		if (base && one.fallback !== '') {
			const { sheet, declaration } = base;
			const value = `${one.fallback};\n${lineIndent(sheet.source, declaration.span.start)}${one.property}: ${one.value}`;
			const { start, end } = declaration.value;
			placed.get(base.file)?.changes.push({ start, end, text: value });
		}
		if (!base) missing.push(one);
	}
	for (const [file, { changes }] of placed) desk.working.change(file, merged(changes));
	const [first] = missing;
	const wasOneLine = first !== undefined && isOneLine(parseSheet(desk.working.text(home) ?? ''), first);
	for (const one of missing) {
		const text = desk.working.text(home);
		if (text === undefined) return refuse(`${home} has no sheet to write in.`);
		const sheet = parseSheet(text);
		const gap = isOneLine(sheet, one) ? ' ' : '\n\t';
		const value = one.fallback === '' ? one.value : `${one.fallback};${gap}${one.property}: ${one.value}`;
		const done = writeInto(
			sheet,
			{ selector: one.selector, condition: null, first: one.selector === ':root' },
			{ property: one.property, value }
		);
		if (!done.ok) return refuse(done.sentence, { path: home, offset: done.place });
		desk.working.change(home, done.value.changes);
	}
	// A one-line rule stays on one line, however long it becomes.
	if (first && !wasOneLine) {
		const sheet = parseSheet(desk.working.text(home) ?? '');
		const declaration = saidIn(sheet, first).at(-1);
		const rule = declaration && ruleAround(declaration);
		if (rule) desk.working.change(home, spreadRule(sheet, rule));
	}
	if (comment !== '') return commented(into, requested, comment);
	return DONE;
}

const lineIndent = (source: string, offset: number): string =>
	/(?:^|\n)([^\S\n]*)[^\n]*$/.exec(source.slice(0, offset))?.[1] ?? '';

/** Changes of one text in order, without nested ones: removing a rule includes everything removed inside it. */
function merged(changes: readonly Change[]): Change[] {
	const sorted = [...changes].sort((a, b) => a.start - b.start || b.end - a.end);
	const all: Change[] = [];
	for (const change of sorted) {
		const last = all.at(-1);
		if (last && change.start < last.end) {
			if (change.end > last.end) all[all.length - 1] = { ...last, end: change.end };
		} else all.push(change);
	}
	return all;
}

const EARLIER = new RegExp(`/\\* ${JUDGED}[^*]*\\*/\\s*$`);

/** Puts a comment over the rule of the first of some declarations, in place of our earlier one. */
function commented({ desk, files }: SizesInto, requested: readonly Declared[], comment: string): Result {
	const [first] = requested;
	for (const file of files) {
		const sheet = parseSheet(desk.working.text(file) ?? '');
		const declaration = first && saidIn(sheet, first).at(-1);
		const rule = declaration && ruleAround(declaration);
		if (!rule) continue;
		const [earlier] = EARLIER.exec(sheet.source.slice(0, rule.span.start)) ?? [];
		if (earlier !== undefined) {
			const start = rule.span.start - earlier.length;
			const text = `/* ${comment} */`;
			desk.working.change(file, [{ start, end: start + earlier.trimEnd().length, text }]);
			return DONE;
		}
		const done = commentOver(sheet, rule.span.start, rule.span.end, comment);
		if (!done.ok) return refuse(done.sentence, { path: file, offset: done.place });
		desk.working.change(file, done.value.changes);
		return DONE;
	}
	return DONE;
}
