import {
	isDeclaration,
	parseSheet,
	sliceOf,
	walk,
	type Declaration,
	type Sheet,
	type Span
} from '../css/index.ts';
import { intersection, EVERYTHING, isEverything, printIntervalSet } from '../interval/index.ts';
import { asksWidthAlone, parseMediaQueryList, solve } from '../media/index.ts';
import { applyChanges, counted, lineNumber, shifted } from '../text/index.ts';
import { PLAIN } from '../vantage/index.ts';
import { backwards, type Replacement, type Step } from './history.ts';

/** How long a piece of a text is quoted at most, UTF-16 units. */
const QUOTED = 60;

function quoted(text: string): string {
	const words = text.replace(/\s+/g, ' ').trim();
	return `“${words.length > QUOTED ? `${words.slice(0, QUOTED - 1)}…` : words}”`;
}

/**
 * The place of a declaration in a sheet: the selector of its rule, and the widths or conditions of the blocks around
 * it.
 */
function placeOf(source: string, { parent }: Declaration): string[] {
	let widths = EVERYTHING;
	const selectors: string[] = [];
	const conditions: string[] = [];
	for (let block = parent; block.kind !== 'sheet'; block = block.parent) {
		const prelude = sliceOf(source, block.prelude).replace(/\s+/g, ' ');
		const queries = block.kind === 'at-rule' && block.name === 'media' ? parseMediaQueryList(prelude) : null;
		if (block.kind === 'rule') selectors.unshift(prelude);
		else if (queries && asksWidthAlone(queries)) widths = intersection(widths, solve(queries, PLAIN));
		else conditions.unshift(`@${block.name} ${prelude}`.trim());
	}
	return [
		selectors.join(' '),
		...(isEverything(widths) ? [] : [printIntervalSet(widths)]),
		...conditions
	].filter((one) => one !== '');
}

/** A single declaration such as `gap: 20px`; undefined where a text is something else. */
function declared(text: string): { readonly property: string; readonly value: string } | undefined {
	const source = `a{${text}}`;
	const [rule] = parseSheet(source).children;
	const [only, ...more] = rule?.kind === 'rule' ? rule.children : [];
	if (!only || !isDeclaration(only) || more.length > 0) return undefined;
	const value = sliceOf(source, only.value).replace(/\s+/g, ' ');
	return { property: only.property, value: only.important ? `${value} !important` : value };
}

const holds = (outer: Span, { start, end }: Span): boolean => outer.start <= start && end <= outer.end;

/** A text that a step led to. */
export interface TextAfter {
	readonly source: string;
	/**
	 * The sheet around an offset, and where it begins: the text itself, or a `<style>`; undefined where none has been
	 * read.
	 */
	readonly sheetAt: (offset: number) => { readonly sheet: Sheet; readonly start: number } | undefined;
}

/**
 * The one declaration that replacements wrote or changed: its former value, its selector and the widths of its rule.
 */
function declarationInWords(
	sheetAt: TextAfter['sheetAt'],
	replaced: readonly Replacement[]
): string | undefined {
	const backInText = backwards(replaced);
	const found = backInText[0] && sheetAt(backInText[0].start);
	if (!found) return undefined;
	const { sheet, start } = found;
	const { source } = sheet;
	const back = shifted(backInText, -start);
	const node = [...walk(sheet)]
		.filter(isDeclaration)
		.find(({ span }) => back.every((part) => holds(span, part)));
	if (!node) return undefined;
	const text = sliceOf(source, node.span);
	const now = declared(text);
	const textBefore = applyChanges(text, shifted(back, -node.span.start));
	const before = declared(textBefore);
	if (!now) return undefined;
	const where = placeOf(source, node).join(', ');
	if (before?.property === now.property) {
		return before.value === now.value
			? undefined
			: `${now.property} ${before.value} → ${now.value}, ${where}`;
	}
	if (before) return `${before.property}: ${before.value} → ${now.property}: ${now.value}, ${where}`;
	// There was more than one declaration before.
	return textBefore.includes(';') ? undefined : `${now.property}: ${now.value}, ${where}`;
}

/** What was added to a text, deleted or changed, and on which line it is now. */
function piecesInWords(source: string, replaced: readonly Replacement[]): string {
	const [first, ...others] = replaced;
	if (!first || others.length > 0) return `${counted(replaced.length, 'place')} changed`;
	const line = `line ${lineNumber(source, backwards(replaced)[0]?.start ?? 0)}`;
	const [was, now] = [first.was.trim(), first.text.trim()];
	if (was.replace(/\s+/g, ' ') === now.replace(/\s+/g, ' ')) return `White space, ${line}`;
	if (was === '') return `${quoted(now)} added, ${line}`;
	if (now === '') return `${quoted(was)} deleted, ${line}`;
	return `${quoted(was)} → ${quoted(now)}, ${line}`;
}

/**
 * What a step did. For a single declaration: its values before and after, its selector and the widths at which its
 * rule holds in a plain window; otherwise the step's own words; otherwise the changed texts. `textOf` returns a
 * file's text after the step.
 */
export function stepInWords(
	{ words, files, moved }: Step,
	textOf: (path: string) => TextAfter | undefined
): string {
	const parts = files.flatMap(({ path, replaced }) => {
		const text = textOf(path);
		return text ? [{ ...text, replaced }] : [];
	});
	const [first, ...others] = parts;
	const declaration =
		first && others.length === 0 && !moved ? declarationInWords(first.sheetAt, first.replaced) : undefined;
	if (declaration !== undefined || words !== '') return declaration ?? words;
	return parts.map(({ source, replaced }) => piecesInWords(source, replaced)).join('; ');
}
