import { walk } from '../css/index.ts';
import { rememberedPieces } from '../remember/index.ts';
import {
	compareSpecificity,
	originatingOf,
	selectorsIn,
	specificityOf,
	statesOf,
	wholeSelector,
	type Specificity
} from '../selector/index.ts';
import type { PageConditions, Sources } from '../site/index.ts';
import type { Steps } from '../steps/index.ts';
import type { Declared, PageCascade, Scope } from './sheets.ts';
import type { Applying, Hit } from './case.ts';

/** A selector to be tried by an engine, within its `@scope`s. */
export interface SelectorQuery {
	readonly selector: string;
	readonly scopes: readonly Scope[];
}

/** A selector that matches an element, by its index, and how many generations up the root of its `@scope` is. */
export type Match = readonly [index: number, proximity: number];

/** What is asked about a page's declarations, and how to read the answers. */
export interface Asking {
	readonly queries: readonly SelectorQuery[];
	/**
	 * The declarations that could apply to an element matched by these selectors, or to a pseudo-element of it, in
	 * order of appearance.
	 */
	applying(matches: readonly Match[], pseudo?: string): Applying[];
	/** The pseudo-elements of an element that these selectors name, such as `::before`. */
	pseudos(matches: readonly Match[]): string[];
}

interface Meaning {
	readonly declared: Declared;
	readonly selector: string;
	/** '' for elements themselves. */
	readonly pseudo: string;
	readonly specificity: Specificity;
	readonly states: readonly string[];
}

const readSelector = rememberedPieces((selector) => {
	const { element, pseudo } = originatingOf(selector);
	return { specificity: specificityOf(selector), pseudo, ...statesOf(element) };
});

/** Reads the selectors of a page's sheets in steps, so that `cascadeOf` and `askingOf` find them cached. */
export function* readSelectorsAhead({ places }: PageConditions, sources: Sources): Steps<void> {
	for (const { text } of places)
		for (const node of walk(sources.sheet(text))) {
			if (node.kind !== 'rule') continue;
			for (const selector of selectorsIn(wholeSelector(text, node))) readSelector(selector);
			yield;
		}
}

/**
 * Every selector of a page's declarations, once as written and, where it contains states, once with these states
 * assumed.
 */
export function askingOf({ declared: all }: PageCascade): Asking {
	const queries: SelectorQuery[] = [];
	const meanings: Meaning[] = [];
	const rank = new Map(all.map((declared, i) => [declared, i]));
	for (const declared of all) {
		for (const selector of declared.selectors) {
			const { specificity, pseudo, now, given, states } = readSelector(selector);
			const put = (text: string, states: readonly string[]): void => {
				queries.push({ selector: text, scopes: declared.scopes });
				meanings.push({ declared, selector, pseudo, specificity, states });
			};
			put(now, []);
			if (states.length > 0) put(given, states);
		}
	}
	return {
		queries,
		pseudos: (matches) => [
			...new Set(
				matches.flatMap(([index]) => meanings[index]?.pseudo || []).filter((name) => /^::[-\w]+$/.test(name))
			)
		],
		applying(matches, of = '') {
			const best = new Map<Declared, Hit>();
			for (const [index, proximity] of matches) {
				const meaning = meanings[index];
				if (!meaning || meaning.pseudo !== of) continue;
				const { declared, selector, specificity, states } = meaning;
				const hit: Hit = { selector, specificity, proximity, states };
				const before = best.get(declared);
				if (!before || isBetter(hit, before)) best.set(declared, hit);
			}
			return [...best]
				.map(([declared, hit]) => ({ declared, hit }))
				.sort((a, b) => (rank.get(a.declared) ?? 0) - (rank.get(b.declared) ?? 0));
		}
	};
}

/** Whether one match replaces another of the same declarations: it applies now, is more specific, or is nearer. */
function isBetter(hit: Hit, before: Hit): boolean {
	const [now, then] = [hit.states.length === 0, before.states.length === 0];
	if (now !== then) return now;
	const specific = compareSpecificity(hit.specificity, before.specificity);
	return specific > 0 || (specific === 0 && hit.proximity < before.proximity);
}
