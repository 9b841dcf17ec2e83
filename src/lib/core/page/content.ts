import { addressesIn } from '../css/index.ts';
import {
	rulesOf,
	simulateAhead,
	simulatedText,
	simulatePage,
	textKey,
	vantageOnPage
} from '../simulate/index.ts';
import { addressOf, flattenSheet, textOfUse, type Parsers, type Sources } from '../site/index.ts';
import type { Steps } from '../steps/index.ts';
import type { SeenVantage } from '../vantage/index.ts';
import type { PageModel } from './model.ts';
import { remembered, rememberedBy } from '../remember/index.ts';

/** The number of vantages for which results are cached. */
const MOST_VANTAGES = 24;

/** The text for a `<style>` of a page, by the path of the element. */
export interface StyleText {
	readonly element: readonly number[];
	readonly text: string;
}

/** What a frame of a vantage gets of a page, as far as texts and vantage decide it. */
export interface FrameContent {
	/** Its address on the stage, from the root: relative addresses start there. */
	readonly address: string;
	readonly html: string;
	readonly sheets: readonly StyleText[];
	/** Rules that come after every sheet of the page. */
	readonly rules: string;
	/** Whether films play, stand still, or have not loaded. */
	readonly films: 'play' | 'still' | 'none';
	/** Whether the page is laid out from right to left, whatever it declares itself. */
	readonly rightToLeft: boolean;
	/** Whether the page is touched rather than pointed at, so that a tap keeps the hover state. */
	readonly taps: boolean;
}

/** What frames get of pages whose texts change; unchanged results are cached. */
export function frameContents(
	by: Parsers
): (model: PageModel, prefix: string, seen: SeenVantage) => FrameContent {
	/** Sheets without imports are flattened again only when their own text changes. */
	const flat = new Map<string, { readonly text: string; readonly flat: string }>();
	/** A page's inert source by vantage, as long as its text stays the same. */
	const html = remembered(4, (source) => byVantage((vantage) => simulatePage(by.page(source), vantage)));

	function flatten(text: string, file: string, prefix: string, sources: Sources): string {
		const key = `${prefix}${file}`;
		const known = flat.get(key);
		if (known?.text === text && !/@import/i.test(text)) return known.flat;
		const made = flattenSheet(text, file, sources, prefix);
		flat.set(key, { text, flat: made });
		return made;
	}

	return (model, prefix, seen) => {
		const { path, page, source, sources } = model;
		const vantage = vantageOnPage(page, seen);
		const sheets = model.sheets.flatMap((use): StyleText[] => {
			const found = textOfUse(use, page, path, sources.text);
			if (!found) return [];
			const flat = flatten(found.text, found.file, prefix, sources);
			return [{ element: use.element, text: simulatedText(flat, vantage) }];
		});
		const { films, rightToLeft = false } = vantage;
		return {
			address: addressOf(path, prefix),
			html: html(source)(vantage),
			sheets,
			rules: rulesOf(vantage),
			films,
			rightToLeft,
			taps: vantage.hover === 'none'
		};
	};
}

/**
 * Computes in steps what a file's text becomes in frames of some vantages, so that their contents are quickly
 * available.
 */
export function* contentAhead(
	model: Pick<PageModel, 'path' | 'page' | 'sheets' | 'sources'>,
	file: string,
	prefix: string,
	seen: readonly SeenVantage[]
): Steps<void> {
	const { path, page, sheets, sources } = model;
	for (const use of sheets) {
		const found = textOfUse(use, page, path, sources.text);
		if (found?.file !== file) continue;
		addressesIn(found.text);
		yield;
		const flat = flattenSheet(found.text, file, sources, prefix);
		yield* simulateAhead(flat);
		for (const vantage of seen) {
			simulatedText(flat, vantageOnPage(page, vantage));
			yield;
		}
	}
}

/** What one text becomes, by vantage; only what affects texts may matter. */
const byVantage = <X extends NonNullable<unknown>>(
	compute: (vantage: SeenVantage) => X
): ((vantage: SeenVantage) => X) => rememberedBy(MOST_VANTAGES, textKey, compute);
