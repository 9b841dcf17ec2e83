import { parseSheet, sliceOf, walk, type Declaration, type Sheet } from '../core/css/index.ts';
import {
	commentOver,
	copyBlocks,
	givenBy,
	inlineCustomProperty,
	isCustomName,
	joinBlocks,
	moveRule,
	partBlock,
	putRules,
	removeWithEmptied,
	takeRules,
	useCustomProperty,
	writeInto
} from '../core/css/edit/index.ts';
import { equal, printRational, type Rational } from '../core/interval/index.ts';
import { splitQueries } from '../core/media/index.ts';
import { readdressed } from '../core/site/index.ts';
import { counted, done, refuse, shifted } from '../core/text/index.ts';
import { EM } from '../core/vantage/index.ts';
import { widthsOf } from './condition.ts';
import { sheetParts } from './sheetParts.ts';
import type { Proposed } from './proposed.ts';
import { within, type Chosen } from './within.ts';
import { locked, partAt, type Desk } from './declaration.ts';

/** Replaces the chosen selector of a file by another. */
export const reselect = (desk: Desk, chosen: Chosen, selector: string, note: string): Proposed =>
	within(
		desk,
		chosen,
		({ from }) => done({ changes: [{ start: chosen.from - from, end: chosen.to - from, text: selector }] }),
		() => done({ summary: `The rule is for ${selector}.`, notes: [note] })
	);

/** Splits the block at the caret in two. */
export const part = (desk: Desk, chosen: Chosen): Proposed =>
	within(
		desk,
		chosen,
		({ sheet, from }) => partBlock(sheet, chosen.from - from),
		() => done({ summary: 'The block is split here into two of the same condition or selector.', notes: [] })
	);

/** Merges the blocks that are like the one at the caret into it. */
export const join = (desk: Desk, chosen: Chosen): Proposed =>
	within(
		desk,
		chosen,
		({ sheet, from }) => joinBlocks(sheet, chosen.from - from, (a, b) => equal(widthsOf(a), widthsOf(b))),
		({ count, between }) => {
			const note = `${counted(between, 'block')} of other kinds between them: equally strong declarations there may win or lose now. The frames show it.`;
			return done({
				summary: `${counted(count, 'block')} of one kind become one, at the caret.`,
				notes: between > 0 ? [note] : []
			});
		}
	);

/**
 * Splits a band at a width, in every block of some files that begins or ends at the band's own ends: what is in force
 * stays the same, and either side can be edited by itself.
 */
export function splitBand(
	desk: Desk,
	files: readonly string[],
	band: { readonly lo: Rational | null; readonly hi: Rational | null },
	at: Rational
): Proposed {
	let count = 0;
	for (const { file, from, sheet } of partsOf(desk, files).toReversed()) {
		if (desk.isGiven(file)) continue;
		const made = copyBlocks(sheet, (queries) => splitQueries(queries, band, at, EM));
		if (!made.ok) return refuse(made.sentence, { path: file, offset: from + made.place });
		count += made.value.count;
		desk.working.change(file, shifted(made.value.changes, from));
	}
	const ends = [band.lo, band.hi].map((end) => (end ? printRational(end) : '')).join('–');
	if (count === 0) return refuse(`No block of ours begins or ends with the band ${ends}.`);
	return done({
		summary: `The band ${ends} is two, parted at ${printRational(at)}: ${counted(count, 'block')} with a copy.`,
		notes: []
	});
}

/** Moves the rule at the caret, with its comments, so many places down among those of its block (up: under 0). */
export const move = (desk: Desk, chosen: Chosen, by: number): Proposed =>
	within(
		desk,
		chosen,
		({ sheet, from }) => moveRule(sheet, chosen.from - from, by),
		({ places, offset }, { from }) =>
			done({
				summary: `The rule goes ${counted(places, 'place')} ${by < 0 ? 'up' : 'down'}, with its comment.`,
				notes: ['Equally strong declarations on the way may win or lose now. The frames show it.'],
				shown: { path: chosen.file, offset: from + offset }
			})
	);

/** Writes a comment over the selected rules. */
export const comment = (desk: Desk, chosen: Chosen, words: string): Proposed =>
	within(
		desk,
		chosen,
		({ sheet, from }) => commentOver(sheet, chosen.from - from, chosen.to - from, words),
		() => done({ summary: 'A comment stands over the rules.', notes: [] })
	);

/** Moves the selected rules, under their conditions, to the end of another file; or into a layer of their own file. */
export function carry(desk: Desk, chosen: Chosen, to: { file: string } | { layer: string }): Proposed {
	const { file } = chosen;
	const target = 'file' in to ? to.file : file;
	const layer = 'layer' in to ? to.layer.trim() : undefined;
	if (desk.isGiven(target)) return refuse(`${target} is given: nothing is written there.`);
	if (layer !== undefined && !/^[\p{L}_-][\p{L}\p{N}_-]*(\.[\p{L}_-][\p{L}\p{N}_-]*)*$/u.test(layer))
		return refuse(
			`"${layer}" is no name of a layer: use letters, digits, - and _, with a full stop between parts.`
		);
	return within(
		desk,
		chosen,
		({ sheet, from }) => takeRules(sheet, chosen.from - from, chosen.to - from),
		({ taken }) => {
			if (taken.under.some(({ name, prelude }) => name === 'layer' && prelude.trim() === layer))
				return refuse(`The rule is in the layer ${layer} already.`);
			const there = partAt(desk, target, target === file ? chosen.from : null);
			if (!there) return refuse(`${target} has no sheet to write in.`, { path: target, offset: 0 });
			const put = putRules(
				there.sheet,
				{ ...taken, text: readdressed('sheet', taken.text, { from: file, to: target }) },
				layer
			);
			if (!put.ok) return refuse(put.sentence, { path: target, offset: there.from + put.place });
			desk.working.change(target, shifted(put.value.changes, there.from));
			const what = counted(taken.count, 'rule');
			return done(
				layer === undefined
					? {
							summary: `${what} to the end of ${target}.`,
							notes: [
								'Equally strong declarations in the files between may win or lose now; pages that use only one of the two files gain or lose the rule. The frames show it.'
							]
						}
					: {
							summary: `${what} into the layer ${layer}.`,
							notes: ['Rules outside layers win over it, unless it is !important. The frames show it.']
						}
			);
		}
	);
}

/** What is at the caret of a text: a value, or a custom property in use. */
export interface ValueHere {
	readonly value: string;
	readonly name: string | null;
}

/** The declaration around an offset of a sheet. */
function declarationAt(sheet: Sheet, offset: number): Declaration | undefined {
	for (const node of walk(sheet))
		if (node.kind === 'declaration' && node.span.start <= offset && offset <= node.span.end) return node;
	return undefined;
}

/** The selected part of a value, or all of the value at the caret; undefined where there is none. */
export function valueHere(desk: Desk, { file, from, to }: Chosen): ValueHere | undefined {
	const at = partAt(desk, file, from);
	const one = at && declarationAt(at.sheet, from - at.from);
	if (!one) return undefined;
	const { source } = at.sheet;
	const [start, end] = [Math.max(from - at.from, one.value.start), Math.min(to - at.from, one.value.end)];
	const value = (start < end ? source.slice(start, end) : sliceOf(source, one.value)).trim();
	if (one.property.startsWith('--') && start >= end) return { value, name: one.property };
	const asked = [...sliceOf(source, one.value).matchAll(/var\(\s*(--[^\s,()]+)/gi)].find(
		({ index, 0: text }) => {
			const offset = from - at.from - one.value.start;
			return index <= offset && offset <= index + text.length + 1;
		}
	);
	return { value, name: asked?.[1] ?? /^var\(\s*(--[^\s,()]+)\s*\)$/i.exec(value)?.[1] ?? null };
}

/** The sheets in files, with their places. */
const partsOf = (desk: Desk, files: readonly string[]) =>
	files.flatMap((file) => {
		const text = desk.working.text(file) ?? '';
		return sheetParts(text, desk.kind(file)).map(({ start, end }) => ({
			file,
			from: start,
			sheet: parseSheet(text.slice(start, end))
		}));
	});

const isRoot = (sheet: Sheet, { parent }: Declaration): boolean =>
	parent.kind === 'rule' &&
	parent.parent.kind === 'sheet' &&
	/^(:root|html)$/i.test(sliceOf(sheet.source, parent.prelude));

/**
 * Names a value and replaces it by the name, in its own file and in files that no page has without that one; the
 * custom property is defined in the file's rule for the root.
 */
export function nameValue(
	desk: Desk,
	{ file }: Chosen,
	value: string,
	name: string,
	beside: readonly string[]
): Proposed {
	if (!isCustomName(name))
		return refuse(`"${name}" is no name of a custom property: it starts with two dashes, as in --sea.`);
	if (desk.isGiven(file)) return locked(file);
	const parts = partsOf(desk, [...new Set([file, ...beside])]);
	for (const { file: where, from, sheet } of parts) {
		const other = givenBy(sheet, name).find((one) => sliceOf(sheet.source, one.value) !== value);
		if (other)
			return refuse(
				`${name} is already defined as ${sliceOf(sheet.source, other.value)}. Choose another name.`,
				{ path: where, offset: from + other.span.start }
			);
	}
	let count = 0;
	for (const { file: where, from, sheet } of parts.toReversed()) {
		if (desk.isGiven(where)) continue;
		const changes = useCustomProperty(sheet, name, value);
		count += changes.length;
		desk.working.change(where, shifted(changes, from));
	}
	if (count === 0) return refuse(`${value} stands in no declaration here.`);
	const [home] = partsOf(desk, [file]);
	if (!home) return refuse(`${file} has no sheet to write in.`);
	if (givenBy(home.sheet, name).length === 0) {
		const written = writeInto(
			home.sheet,
			{ selector: ':root', condition: null, first: true },
			{ property: name, value }
		);
		if (!written.ok) return refuse(written.sentence, { path: file, offset: home.from + written.place });
		desk.working.change(file, shifted(written.value.changes, home.from));
	}
	return done({ summary: `${value} is ${name}, in ${counted(count, 'place')}.`, notes: [] });
}

/** Replaces every use of a custom property by its value, and removes the custom property. */
export function valueBack(desk: Desk, name: string, files: readonly string[]): Proposed {
	const parts = partsOf(desk, files);
	const given = parts.flatMap(({ file, from, sheet }) =>
		givenBy(sheet, name).map((one) => ({ file, from, sheet, one }))
	);
	const [only, second] = given;
	if (!only) return refuse(`${name} is not defined in this site’s sheets.`);
	const place = (of: typeof only) => ({ path: of.file, offset: of.from + of.one.span.start });
	if (second)
		return refuse(`${name} is given in ${given.length} places, with more than one value.`, place(second));
	if (!isRoot(only.sheet, only.one)) return refuse(`${name} is defined for some elements only.`, place(only));
	const value = sliceOf(only.sheet.source, only.one.value);
	let count = 0;
	for (const { file, from, sheet } of parts.toReversed()) {
		if (desk.isGiven(file)) continue;
		const changes = inlineCustomProperty(sheet, name, value);
		count += changes.length;
		const out = sheet === only.sheet ? removeWithEmptied(sheet, only.one) : [];
		desk.working.change(
			file,
			shifted(
				[...changes, ...out].sort((a, b) => a.start - b.start),
				from
			)
		);
	}
	const note = `${only.file} is given: ${name} stays there.`;
	return done({
		summary: `${name} is ${value} again, in ${counted(count, 'place')}.`,
		notes: desk.isGiven(only.file) ? [note] : []
	});
}
