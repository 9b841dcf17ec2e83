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

/** For how many vantages it is remembered what a text comes to. */
const MOST_VANTAGES = 24;

/** The text for a `<style>` of a page, by the path of the element. */
export interface StyleText {
	readonly element: readonly number[];
	readonly text: string;
}

/** A page as a frame of a vantage is given it: what of that its texts and the vantage decide. */
export interface FrameContent {
	/** Its address on the stage, from the root: relative addresses start there. */
	readonly address: string;
	readonly html: string;
	readonly sheets: readonly StyleText[];
	/** Rules that come after every sheet of the page. */
	readonly rules: string;
	/** Whether films play, stand still, or have not come. */
	readonly films: 'play' | 'still' | 'none';
	/** Whether the page is laid out from right to left, whatever it says itself. */
	readonly rightToLeft: boolean;
	/** Whether it is touched rather than pointed at: a tap then holds the hover. */
	readonly taps: boolean;
}

/** What frames are given of pages whose texts change; what stays as it was is remembered. */
export function frameContents(
	by: Parsers
): (model: PageModel, prefix: string, seen: SeenVantage) => FrameContent {
	/** Sheets that import nothing are flattened again only when their own text has changed. */
	const flat = new Map<string, { readonly text: string; readonly flat: string }>();
	/** A page's inert source by vantage, for as long as its text stays. */
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

/** Works out in steps what a file's text comes to in frames of some vantages, so that it is soon told what they are given. */
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

/** What one text comes to by vantage; nothing but what texts depend on must matter to it. */
const byVantage = <X extends NonNullable<unknown>>(
	compute: (vantage: SeenVantage) => X
): ((vantage: SeenVantage) => X) => rememberedBy(MOST_VANTAGES, textKey, compute);
