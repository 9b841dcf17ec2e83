import type { Case } from '../core/cascade/index.ts';
import { elementAt, nameOfElement, wordsIn, type ElementPath } from '../core/html/index.ts';
import { rational } from '../core/interval/index.ts';
import { over, type Over } from '../core/length/index.ts';
import { lengthContext } from '../core/media/index.ts';
import { sizing, stretchesOf, type Size, type Sizing } from '../core/type/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { ElementFacts } from '../stage/protocol.ts';
import { casesOf } from './cases.ts';
import type { InquiredPage } from './page.ts';
import type { Layout } from './layout.ts';

/**
 * The widths over which sizes are read: down to a fifth of the Measure's, for zoom, and beyond its upper end. CSS px.
 */
export const READ: Over = over(rational(40), rational(6000));

/** A text of a page with its size. */
export interface ReadText {
	readonly path: ElementPath;
	/** Index among all elements of the question. */
	readonly index: number;
	readonly tag: string;
	readonly name: string;
	readonly words: string;
	readonly size: Size;
}

/** The sizes of a page's texts, from its present sources. */
export interface ReadSizes {
	readonly texts: readonly ReadText[];
	readonly sizing: Sizing;
	/** The same with another text size set in the browser, px. */
	sizingAt(defaultSize: number): Sizing;
	/** Indexes of the elements that each selector matches. */
	readonly hits: ReadonlyMap<string, readonly number[]>;
	/** Index of an element by its path; -1 where there is none. */
	indexOf(path: ElementPath): number;
	/** The paths of all elements, by index. */
	readonly paths: readonly ElementPath[];
}

/** Identifies an element for the cascade: what matches it, what its attributes declare, and its writing mode. */
function alikeBy(page: InquiredPage, { path, tag, matches, computed }: ElementFacts): string {
	const attributes = elementAt(page.page, path)?.attributes ?? new Map<string, { readonly value: string }>();
	const said = [...attributes].flatMap(([name, { value }]) =>
		/^(class|id|href|src|alt|title|aria-.*|data-.*)$/.test(name) ? [] : `${name}=${value}`
	);
	return [tag, matches.join(), said.join(), ...computed.values()].join('|');
}

/** Computes and caches a function of a width on demand. */
function once(make: () => (width: number) => Case): (width: number) => Case {
	let made: ((width: number) => Case) | undefined;
	return (width) => (made ??= make())(width);
}

/** At most so many elements are read. */
const MOST = 6000;

/** Reads the sizes of all texts of the lead's page; for `selectors`, what they match is returned too. */
export async function readSizes(
	page: InquiredPage,
	layout: Layout,
	lead: SeenVantage,
	selectors: readonly string[] = []
): Promise<ReadSizes> {
	const cases = casesOf(page, layout, lead);
	const sought = ['html, body, body *', ...selectors];
	const longhands = ['font-size', 'font-family', 'writing-mode', 'direction'];
	const { elements, hits } = await layout.facts('lead', sought, MOST, longhands);
	const asked = elements.map((answer) => ({
		tag: answer.tag,
		parent: answer.parent,
		monospace: answer.computed.get('font-family') === 'monospace',
		alike: alikeBy(page, answer),
		at: once(() => cases.of(answer.path, answer))
	}));
	const { heights } = lengthContext(lead);
	const stretches = stretchesOf(page.bands(lead), READ);
	const sizingAt = (defaultSize: number): Sizing => sizing(asked, { stretches, heights, defaultSize });
	const own = sizingAt(lead.defaultFontSize);
	const places = new Map(elements.map(({ path }, i) => [path.join('.'), i]));
	const texts = elements.flatMap((answer, index): ReadText[] => {
		const element = elementAt(page.page, answer.path);
		if (!answer.words || !element || answer.path[0] === 0) return [];
		if (/^(script|style|template|noscript|option)$/.test(answer.tag)) return [];
		return [
			{
				path: answer.path,
				index,
				tag: answer.tag,
				name: nameOfElement(element),
				words: wordsIn(element, 60),
				size: own.size(index)
			}
		];
	});
	return {
		texts,
		sizing: own,
		sizingAt,
		hits: new Map(selectors.map((selector, i) => [selector, hits[i + 1] ?? []])),
		indexOf: (path) => places.get(path.join('.')) ?? -1,
		paths: elements.map(({ path }) => path)
	};
}
