import {
	askingOf,
	cascadeOf,
	propertiesSet,
	verdictOf,
	type Asking,
	type Case,
	type PageCascade
} from '../../src/lib/core/cascade/index.ts';
import { FACT_LONGHANDS } from '../../src/lib/core/effect/index.ts';
import { parsePage } from '../../src/lib/core/html/index.ts';
import { sourcesOf } from '../../src/lib/core/site/index.ts';
import {
	answersUp,
	movingOn,
	selectorIndex,
	type ElementAnswer,
	type SelectorIndex
} from '../../src/lib/probe/cascade.ts';
import { containingBlock } from '../../src/lib/probe/containing.ts';
import { findFacts } from '../../src/lib/probe/facts.ts';
import { pathOf } from '../../src/lib/probe/path.ts';
import { engineOf } from '../../src/lib/session/engine.ts';
import { median, timeOf } from '../bench.ts';

let cascade: PageCascade;
let asking: Asking;
let index: SelectorIndex;
let caseOf: (answer: Pick<ElementAnswer, 'matches'>) => Case;

/** Reads the cascade of the present page, given its source and sheet. */
export function read(html: string, css: string): void {
	const sources = sourcesOf((path) => (path === 'look.css' ? css : html));
	cascade = cascadeOf(parsePage(html), 'index.html', sources);
	asking = askingOf(cascade);
	index = selectorIndex(asking.queries);
	const engine = engineOf(document);
	caseOf = ({ matches }) => ({
		applying: asking.applying(matches),
		style: [],
		hints: [],
		layers: cascade.layers,
		holds: (condition) => condition.kind !== 'media' || matchMedia(condition.text).matches,
		physical: (longhand) => longhand,
		engine
	});
}

/** The number of selectors and elements, and of matches between them. */
export const counted = (): readonly [selectors: number, elements: number, hits: number] => {
	const elements = [...document.querySelectorAll('*')];
	return [
		asking.queries.length,
		elements.length,
		elements.reduce((sum, one) => sum + index.matches(one).length, 0)
	];
};

/**
 * The time for finding what matches every element and deciding all values set on it, divided by that for testing
 * every selector on every element.
 */
export function everyElement(): number {
	const elements = [...document.querySelectorAll('*')];
	const decide = (element: Element): void => {
		const one = caseOf({ matches: index.matches(element) });
		for (const property of propertiesSet(one)) verdictOf(property, one);
	};
	// Alternately, because the machine's speed varies.
	const ratios = [0, 1, 2].map(() => {
		const ours = timeOf(() => elements.forEach(decide), 3, 1);
		const bare = timeOf(
			() =>
				elements.forEach((element) => asking.queries.forEach(({ selector }) => element.matches(selector))),
			1,
			0
		);
		return bare / ours;
	});
	return median(ratios);
}

/** At most so many elements may match a selector for it to be judged. */
const MOST = 60;

/**
 * The time for everything that selecting an element asks of its frame (what matches it and its ancestors with their
 * computed values, its containing block, animations, its children) and for its verdicts, divided by that for a layout
 * of the page.
 */
export function oneElement(): number {
	const elements = [...document.querySelectorAll('b')];
	let n = 0;
	const ours = timeOf(() => {
		const element = elements[n++ % elements.length];
		if (!element) return;
		const [own] = answersUp(element, index, []).map(caseOf);
		containingBlock(element);
		movingOn(element);
		findFacts(document, [pathOf(element)], MOST, index, [], FACT_LONGHANDS);
		if (own) for (const property of propertiesSet(own)) verdictOf(property, own);
	}, 41);
	const layout = timeOf(() => {
		document.body.style.width = `${500 + (n++ % 9)}px`;
		return document.body.offsetHeight;
	});
	return ours / layout;
}
