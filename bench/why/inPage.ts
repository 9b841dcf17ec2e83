import {
	askingOf,
	cascadeOf,
	propertiesSet,
	verdictOf,
	type Asking,
	type Case,
	type PageCascade
} from '../../src/lib/core/cascade/index.ts';
import { parsePage } from '../../src/lib/core/html/index.ts';
import { sourcesOf } from '../../src/lib/core/site/index.ts';
import { selectorIndex, type SelectorIndex } from '../../src/lib/probe/cascade.ts';
import { engineOf } from '../../src/lib/state/engine.ts';
import { timeOf } from '../bench.ts';

let cascade: PageCascade;
let asking: Asking;
let index: SelectorIndex;
let of: (element: Element) => Case;

/** Reads the cascade of the page it runs in, whose own source and sheet these are. */
export function read(html: string, css: string): void {
	const sources = sourcesOf((path) => (path === 'look.css' ? css : html));
	cascade = cascadeOf(parsePage(html), 'index.html', sources);
	asking = askingOf(cascade);
	index = selectorIndex(asking.asked);
	const engine = engineOf(document);
	of = (element) => ({
		applying: asking.applying(index.matches(element)),
		style: [],
		hints: [],
		layers: cascade.layers,
		holds: (condition) => condition.kind !== 'media' || matchMedia(condition.text).matches,
		physical: (longhand) => longhand,
		engine
	});
}

/** How many selectors and elements there are, and how many times one hits another. */
export const counted = (): readonly [selectors: number, elements: number, hits: number] => {
	const elements = [...document.querySelectorAll('*')];
	return [
		asking.asked.length,
		elements.length,
		elements.reduce((sum, one) => sum + index.matches(one).length, 0)
	];
};

/** Time of finding what hits every element and of deciding all that is set on it, over testing every selector on every element. */
export function everyElement(): number {
	const elements = [...document.querySelectorAll('*')];
	const decide = (element: Element): void => {
		const one = of(element);
		for (const property of propertiesSet(one)) verdictOf(property, one);
	};
	const ours = timeOf(() => elements.forEach(decide), 3, 1);
	const bare = timeOf(
		() => elements.forEach((element) => asking.asked.forEach(({ selector }) => element.matches(selector))),
		1,
		0
	);
	return bare / ours;
}

/** Time of asking about one element and all around it, and deciding all that is set on it, over a layout of the page. */
export function oneElement(): number {
	const elements = [...document.querySelectorAll('b')];
	let n = 0;
	const ours = timeOf(() => {
		const chain: Element[] = [];
		for (let at = elements[n++ % elements.length] ?? null; at; at = at.parentElement) chain.push(at);
		const [own] = chain.map(of);
		if (own) for (const property of propertiesSet(own)) verdictOf(property, own);
	}, 41);
	const layout = timeOf(() => {
		document.body.style.width = `${500 + (n++ % 9)}px`;
		return document.body.offsetHeight;
	});
	return ours / layout;
}
