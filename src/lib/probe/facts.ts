import { own } from './own.ts';
import { containersHold, type ElementAnswer, type SelectorIndex } from './cascade.ts';
import { elementByPath, pathOf } from './path.ts';

/** What is known of an element for what its declarations do. */
export interface ElementFacts extends ElementAnswer {
	readonly path: readonly number[];
	readonly tag: string;
	/** Where its parent is among the elements; -1 for the root. */
	readonly parent: number;
	/** Whether words stand straight in it. */
	readonly words: boolean;
	/** Whether all its children are among the elements. */
	readonly whole: boolean;
}

export interface FactsFound {
	/** Elements that selectors match, their children and all around them, each after its parent. */
	readonly elements: readonly ElementFacts[];
	/** For each selector, which of them it matches; null for one that matches more than so many, or none can read. */
	readonly hits: readonly (readonly number[] | null)[];
}

function hasWords(element: Element): boolean {
	for (let node = own(element).firstChild; node; node = own(node).nextSibling)
		if (own(node).nodeType === Node.TEXT_NODE && own(node).nodeValue?.trim() !== '') return true;
	return false;
}

/** A selector, or the path of one element. */
export type Sought = string | readonly number[];

/**
 * What selectors match, each no more than `most` elements and all together no more than ten times as many, with some
 * computed longhands of these, of what is in them and of what is around them.
 */
export function findFacts(
	document: Document,
	sought: readonly Sought[],
	most: number,
	index: SelectorIndex,
	containers: readonly string[],
	longhands: readonly string[]
): FactsFound {
	const listed = new Map<Element, number>();
	const order: Element[] = [];
	const hit = new Set<Element>();
	const list = (element: Element): number => {
		const known = listed.get(element);
		if (known !== undefined) return known;
		const parent = own(element).parentElement;
		if (parent) list(parent);
		listed.set(element, order.length);
		order.push(element);
		return order.length - 1;
	};
	const hits = sought.map((one) => {
		try {
			const found =
				typeof one === 'string'
					? [...own(document).querySelectorAll(one)]
					: [elementByPath(document, one)].filter((element) => element !== null);
			if (found.length > most || order.length > 10 * most) return null;
			return found.map((element) => {
				hit.add(element);
				return list(element);
			});
		} catch {
			return null;
		}
	});
	/** What declarations are asked of: what was hit, what is in it and its parent. */
	const near = new Set(hit);
	for (const element of hit) {
		const parent = own(element).parentElement;
		if (parent) near.add(parent);
		for (const child of own(element).children) {
			list(child);
			near.add(child);
		}
	}
	const held = containersHold(order, containers);
	const window = own(document).defaultView;
	const elements = order.map((element, i): ElementFacts => {
		const style = window?.getComputedStyle(element);
		const parent = own(element).parentElement;
		return {
			path: pathOf(element),
			tag: own(element).localName,
			parent: parent ? (listed.get(parent) ?? -1) : -1,
			words: hasWords(element),
			whole: hit.has(element),
			matches: near.has(element) ? index.matches(element) : [],
			containers: held[i] ?? [],
			computed: new Map(longhands.map((name) => [name, style?.getPropertyValue(name) ?? '']))
		};
	});
	return { elements, hits };
}
