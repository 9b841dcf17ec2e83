import { own } from './own.ts';
import { containersHold, type ElementAnswer, type SelectorIndex } from './cascade.ts';
import { elementByPath, pathOf } from './path.ts';

/** What is known about an element for judging the effects of its declarations. */
export interface ElementFacts extends ElementAnswer {
	readonly path: readonly number[];
	readonly tag: string;
	/** The index of its parent; -1 for the root. */
	readonly parent: number;
	/** Whether it directly contains text. */
	readonly words: boolean;
	/** Whether all its children are included. */
	readonly whole: boolean;
}

export interface FactsFound {
	/** Elements that selectors match, their children and all their ancestors, each after its parent. */
	readonly elements: readonly ElementFacts[];
	/** For each selector, which of them it matches; null for one that matches too many, or cannot be parsed. */
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
 * What selectors match, at most `most` elements each and ten times as many in all, with some computed longhands of
 * these, of their children and of their ancestors.
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
	/** The elements that matter to declarations: those matched, their children and their parents. */
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
