import {
	parseSheet,
	partsOf,
	readPart,
	sliceOf,
	walk,
	type Block,
	type Declaration,
	type Sheet,
	type Span
} from '../css/index.ts';
import { rememberedBy, rememberedPieces } from '../remember/index.ts';
import type { Steps } from '../steps/index.ts';
import { applyChanges, type Change } from '../text/index.ts';
import type { SeenVantage, Vantage } from '../vantage/index.ts';
import { schemeInVantage } from './colorScheme.ts';
import { simulateQuery } from './query.ts';
import { textKey } from './textKey.ts';
import { MAY_ASK_STATE, simulateSelector } from './selector.ts';
import { keywordChanges, rootRule, USUAL_TEXT } from './textSize.ts';
import { valueChanges, valueMayDiffer } from './value.ts';

/** A place of a sheet that a vantage may read differently from the engine. */
type Place = (vantage: SeenVantage) => readonly Change[];

/**
 * The layer of the rules adopted for the default text size: declared first, so that every other layer is stronger.
 */
export const LOWEST_LAYER = 'vantaggio-lowest';

/**
 * A query that only depends on the size and density of the viewport stays as it is in every vantage with 16 px text
 * and without bars.
 */
const ASKS_MORE =
	/pointer|hover|prefers|scheme|motion|contrast|colors|color|scripting|update|overflow|device|grid|mono|gamut|range|scan|display-mode|posture|inverted|segments|nav|blending|print|screen|speech|tty|r?em|\dv|[sld]v/i;

/** Whether a value is computed where it is used: a change must not make the initial value of `@property` valid. */
function isUsed(block: Block): boolean {
	for (let at = block; at.kind !== 'sheet'; at = at.parent) {
		if (at.kind === 'at-rule' && /^(property|font-face|counter-style)$/.test(at.name)) return false;
	}
	return true;
}

const replaced =
	(span: Span, text: string, read: (vantage: Vantage) => string): Place =>
	(vantage) => {
		const put = read(vantage);
		return put === text ? [] : [{ ...span, text: put }];
	};

function declarationPlaces(source: string, declaration: Declaration, places: Place[]): void {
	const { property, parent, value: span } = declaration;
	const text = sliceOf(source, span);
	const differs = valueMayDiffer(text);
	const isSize = property === 'font-size' || property === 'font';
	if (!(differs || isSize || property === 'color-scheme') || !isUsed(parent)) return;
	if (differs) places.push((vantage) => valueChanges(text, span.start, vantage));
	if (property === 'color-scheme') {
		places.push(replaced(span, text, (vantage) => schemeInVantage(text, vantage.colorScheme)));
	}
	if (!isSize) return;
	places.push(({ defaultFontSize: size }) => {
		if (size === USUAL_TEXT) return [];
		const changes = keywordChanges(text, span.start, size);
		if (changes.length > 0 || parent.kind !== 'rule') return changes;
		const { end } = parent.span;
		const rule = rootRule(parent, sliceOf(source, parent.prelude), declaration, text, size);
		return rule === '' ? [] : [{ start: end, end, text: rule }];
	});
}

function placesOf(sheet: Sheet): Place[] {
	const { source } = sheet;
	// Blocks nested so deeply might crash an engine; a frame must not crash.
	const places: Place[] = sheet.unread.map((span) => () => [{ ...span, text: '' }]);
	for (const node of walk(sheet)) {
		if (node.kind === 'declaration') {
			declarationPlaces(source, node, places);
		} else if (node.kind === 'at-rule' && node.name === 'media') {
			const text = sliceOf(source, node.prelude);
			if (ASKS_MORE.test(text)) {
				places.push(replaced(node.prelude, text, (vantage) => simulateQuery(text, vantage)));
			}
		} else if (node.kind === 'at-rule' && node.name === 'font-face' && node.block) {
			const { start } = node.span;
			places.push(({ fontsMissing }) =>
				fontsMissing ? [{ start: start + 1, end: start + 1, text: 'missing-' }] : []
			);
		} else if (node.kind === 'at-rule' && node.name === 'container') {
			const text = sliceOf(source, node.prelude);
			if (valueMayDiffer(text)) places.push((vantage) => valueChanges(text, node.prelude.start, vantage));
		} else if (node.kind === 'rule' || (node.kind === 'at-rule' && node.name === 'scope')) {
			const text = sliceOf(source, node.prelude);
			if (MAY_ASK_STATE.test(text)) {
				places.push(replaced(node.prelude, text, (vantage) => simulateSelector(text, vantage)));
			}
		}
	}
	return places;
}

/** The number of vantages for which parts of sheets are cached. */
const MOST_VANTAGES = 24;

const places = rememberedPieces((part) => placesOf(readPart(part)));

/** The parts of sheets as rewritten for a vantage, by the key of what affects them. */
const partsFor = rememberedBy(MOST_VANTAGES, textKey, (vantage: SeenVantage) =>
	rememberedPieces((part) => {
		const changes = places(part).flatMap((place) => place(vantage));
		return changes.length > 0 ? applyChanges(part, changes) : part;
	})
);

/** Reads a sheet in steps, so that its text for a vantage is quickly available. */
export function* simulateAhead(text: string): Steps<void> {
	for (const part of partsOf(text)) {
		readPart(part);
		yield;
		places(part);
		yield;
	}
}

/** The text of a sheet, rewritten for a vantage. */
export function simulatedText(text: string, vantage: SeenVantage): string {
	const simulated = partsOf(text).map(partsFor(vantage)).join('');
	return vantage.defaultFontSize === USUAL_TEXT ? simulated : `@layer ${LOWEST_LAYER};${simulated}`;
}

/**
 * The declarations of a style attribute, rewritten for a vantage; unchanged where they close a block of their own.
 */
export function simulateStyle(text: string, vantage: Vantage): string {
	if (!valueMayDiffer(text) && !/font|color-scheme/i.test(text)) return text;
	const before = 'a{';
	const sheet = parseSheet(`${before}${text}\n}`);
	const [rule, more] = sheet.children;
	if (rule?.kind !== 'rule' || more || sheet.notes.length > 0) return text;
	const places: Place[] = [];
	for (const node of walk(sheet)) {
		if (node.kind === 'declaration') declarationPlaces(sheet.source, node, places);
	}
	const changes = places.flatMap((place) => place(vantage)).filter(({ end }) => end <= rule.block.end - 2);
	return applyChanges(sheet.source, changes).slice(before.length, -2);
}
