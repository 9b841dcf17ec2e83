import { LRUCache } from 'lru-cache';
import { parseSheet, type Sheet } from '../core/css/index.ts';
import { lint } from '../core/grammar/index.ts';
import { linesInFile, type LineInFile, type TextKind } from '../core/minified/index.ts';
import { pageNotes, parsePage, styleSpans } from '../core/html/index.ts';
import {
	conditionNotes,
	followed,
	forceOf,
	namesOfPage,
	usedValues,
	type ConditionNote,
	type FileMove,
	type Followed,
	type Force,
	type PageNames,
	type UsedValue
} from '../core/site/index.ts';
import { supportRemarks, type SupportTable } from '../core/support/index.ts';
import {
	done,
	expressionOf,
	lineNumber,
	lineStarts,
	matchesIn,
	placeAt,
	type Result,
	type Search
} from '../core/text/index.ts';
import { Pages } from './pages.ts';
import type { PageRequest } from './requests.ts';
import type { SentTexts } from './texts.ts';

/** A remark on a place of a text. */
export interface TextRemark {
	readonly at: number;
	readonly sentence: string;
}

/** What is wrong in a text, as far as the engine's answers are known. */
export interface Remarks {
	readonly remarks: readonly TextRemark[];
	/** Declarations that only the engine can judge: the window finds out whether it accepts them, and asks again. */
	readonly unknown: readonly (readonly [property: string, value: string])[];
}

/**
 * What in a file is in force on a page, at which widths, and the results of its conditions; by places in the text.
 */
export interface FileForce {
	readonly rules: readonly Force[];
	readonly notes: readonly ConditionNote[];
}

/** One match of a search, as listed. */
export interface FoundLine {
	readonly path: string;
	readonly start: number;
	readonly line: number;
	readonly words: string;
}

/** The results of a search. */
export interface SearchFound {
	/** The number of matches in each file with any. */
	readonly counts: readonly (readonly [path: string, count: number])[];
	readonly lines: readonly FoundLine[];
}

/** What renaming or deleting a file means for another file of the site. */
export interface FollowedFile extends Followed {
	readonly path: string;
}

/** The number of the engine's answers that are cached. */
const MOST_ANSWERS = 20_000;
/** How much of a line is listed, in characters. */
const MOST_OF_LINE = 200;

/** Reads texts: what is wrong in them, and where something occurs. */
export class Reading {
	readonly #pages = new Pages();
	/** Whether the engine accepts a declaration, by its text. */
	readonly #taken = new LRUCache<string, boolean>({ max: MOST_ANSWERS });
	#table: SupportTable | null = null;

	/** Since when engines support features. */
	takeTable(table: SupportTable): void {
		this.#table = table;
	}

	/** Takes the engine's answers on declarations. */
	takeAnswers(answers: readonly (readonly [property: string, value: string, taken: boolean])[]): void {
		for (const [property, value, taken] of answers) this.#taken.set(`${property}:${value}`, taken);
	}

	/**
	 * What is wrong in a sheet, or in a page and its `<style>` elements: what a browser recovers from, declarations
	 * that it does not accept, and, with a date (ISO 8601), what not every engine has supported since then.
	 */
	remarks(path: string, sent: SentTexts, kind: 'page' | 'sheet', limit: string | null): Remarks {
		const text = this.#pages.texts(sent).get(path) ?? '';
		const unknown: [string, string][] = [];
		const supports = (property: string, value: string): boolean => {
			const known = this.#taken.get(`${property}:${value}`);
			if (known === undefined) unknown.push([property, value]);
			return known ?? true;
		};
		const page = kind === 'page' ? parsePage(text) : undefined;
		const parts = page ? styleSpans(page) : [{ start: 0, end: text.length }];
		const ofSheet = (sheet: Sheet) => [
			...sheet.notes,
			...lint(sheet, supports),
			...(this.#table && limit !== null ? supportRemarks(sheet, this.#table, limit) : [])
		];
		const ofSheets = parts.flatMap(({ start, end }) => {
			const above = lineNumber(text, start) - 1;
			return ofSheet(parseSheet(text.slice(start, end))).map(({ span, sentence }) => ({
				at: start + span.start,
				sentence:
					above === 0
						? sentence
						: sentence.replace(/\bline (\d+)/g, (_, line) => `line ${Number(line) + above}`)
			}));
		});
		const ofPage = page ? pageNotes(page).map(({ span, sentence }) => ({ at: span.start, sentence })) : [];
		return { remarks: [...ofPage, ...ofSheets], unknown };
	}

	/** What in a file is in force on a page in a vantage, at any of its widths. */
	force({ path, texts, as }: PageRequest, file: string): FileForce {
		const { conditions, sources } = this.#pages.page(path, texts).model;
		const [{ places }, solve] = [conditions, this.#pages.solver(as)];
		return {
			rules: forceOf(file, places, sources, solve),
			notes: conditionNotes(file, places, sources, solve)
		};
	}

	/** The names on a page and in its sheets. */
	names(path: string, texts: SentTexts): PageNames {
		const { page, conditions, sources } = this.#pages.page(path, texts).model;
		return namesOfPage(page, conditions, sources);
	}

	/** The values that a page's sheets and the site's others use for a property, the most frequent first. */
	usedValues(path: string, texts: SentTexts, property: string): UsedValue[] {
		const { conditions, sources } = this.#pages.page(path, texts).model;
		const own = new Set(conditions.places.map(({ file }) => file));
		const others = [...this.#pages.texts(texts)].flatMap(([file, text]) =>
			file.endsWith('.css') && !own.has(file) ? [text] : []
		);
		const all = [...conditions.places.map(({ text }) => text), ...others];
		return usedValues(
			all.map((text) => sources.sheet(text)),
			property
		);
	}

	/** Where each line of an edited layout begins in the file of the layout before the edit. */
	linesInFile(sent: SentTexts, kind: TextKind, own: readonly number[]): LineInFile[] {
		const texts = this.#pages.texts(sent);
		const before = { text: texts.get('saved') ?? '', own };
		return linesInFile(texts.get('now') ?? '', before, kind);
	}

	/** What renaming or deleting a file means for each text that it affects; `pages` says which of them are pages. */
	followed(sent: SentTexts, pages: ReadonlySet<string>, move: FileMove): FollowedFile[] {
		return [...this.#pages.texts(sent)].flatMap(([path, text]) => {
			const kind = pages.has(path) ? 'page' : 'sheet';
			const found = followed(kind, text, path, move, this.#pages.parsers);
			return found.changes.length > 0 || found.asks ? [{ path, ...found }] : [];
		});
	}

	/** Searches texts; refused where the search cannot be parsed. At most `most` lines are listed. */
	search(sent: SentTexts, search: Search, most: number): Result<SearchFound> {
		const texts = this.#pages.texts(sent);
		const expression = expressionOf(search);
		if (!expression.ok) return expression;
		const counts: [string, number][] = [];
		const lines: FoundLine[] = [];
		if (search.words === '') return done({ counts, lines });
		for (const [path, text] of texts) {
			const matches = matchesIn(text, expression.value);
			if (matches.length === 0) continue;
			counts.push([path, matches.length]);
			if (lines.length >= most) continue;
			const starts = lineStarts(text);
			for (const { start } of matches.slice(0, most - lines.length)) {
				const { line } = placeAt(starts, start);
				const whole = text.slice(starts[line - 1] ?? 0, (starts[line] ?? text.length + 1) - 1);
				lines.push({ path, start, line, words: whole.trim().slice(0, MOST_OF_LINE) });
			}
		}
		return done({ counts, lines });
	}
}
