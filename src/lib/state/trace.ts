import {
	askingOf,
	cascadeOf,
	isInherited,
	outcomeOf,
	physicalOf,
	propertiesSet,
	styleDeclarations,
	verdictOf,
	wouldWin,
	type Asking,
	type Candidate,
	type Case,
	type Condition,
	type Engine,
	type Outcome,
	type PageCascade
} from '../core/cascade/index.ts';
import type { Specificity } from '../core/selector/index.ts';
import { noEffectOf, type Facts, type NoEffect } from '../core/effect/index.ts';
import type { PageConditions } from '../core/site/index.ts';
import { elementAt, type ElementPath } from '../core/html/index.ts';
import { contains, rationalFromNumber } from '../core/interval/index.ts';
import type { Vantage } from '../core/vantage/index.ts';
import { engineOf } from './engine.ts';
import type { PageState } from './page.svelte.ts';
import type { Stages } from './stages.svelte.ts';

/** Where the values of an element come from, as the lead's page is now. */
export interface Trace {
	/** The longhands and custom properties that the page's own declarations set on the element. */
	readonly properties: readonly string[];
	/** Every longhand that the browser has, by its physical name. */
	readonly longhands: readonly string[];
	/**
	 * Where a property's value comes from at a width, CSS px, on the element or the ancestor so many generations up;
	 * undefined where the frames have no such element.
	 */
	at(property: string, width: number, up?: number): Outcome | undefined;
	/** The nearest ancestor with a declaration of its own that would be inherited, were there none on the element. */
	around(property: string, width: number): { readonly up: number; readonly winner: Candidate } | undefined;
	/** Why a declaration of the element's own does nothing in the lead as it is; undefined where it may do something. */
	noEffect(property: string): NoEffect | undefined;
	/** A property's value in the lead; '' for one that has none. */
	computed(property: string): string;
	/** Whether a new declaration at the end of a file, with a selector so specific and no flag, would win a property. */
	wouldWin(
		property: string,
		width: number,
		specificity: Specificity,
		file: string
	): ReturnType<typeof wouldWin>;
	/** The path of the ancestor so many generations up. */
	ancestor(up: number): ElementPath;
}

let engine: Engine | undefined;
const asked = new WeakMap<Stages, Asking>();

/** What a page's sheets declare and what is asked about it, for as long as its conditions, and so its texts, stay. */
const known = new WeakMap<PageConditions, { readonly cascade: PageCascade; readonly asking: Asking }>();

function cascadeOfPage(page: PageState): { readonly cascade: PageCascade; readonly asking: Asking } {
	let found = known.get(page.conditions);
	if (!found) {
		const cascade = cascadeOf(page.page, page.path, page.sources);
		known.set(page.conditions, (found = { cascade, asking: askingOf(cascade) }));
	}
	return found;
}

/** The `@container` conditions of a page, each once. */
const containersOf = (cascade: PageCascade): string[] => [
	...new Set(
		cascade.declared.flatMap(({ conditions }) =>
			conditions.flatMap(({ kind, text }) => (kind === 'container' ? text : []))
		)
	)
];

/** Asks the lead's frame about an element, and gives what decides its values, for a vantage at any width. */
export async function traceOf(
	page: PageState,
	stages: Stages,
	path: ElementPath,
	vantage: Vantage
): Promise<Trace> {
	const { asking, cascade } = cascadeOfPage(page);
	const of = page.page;
	const browser = (engine ??= engineOf(document));
	const containers = containersOf(cascade);
	if (asked.get(stages) !== asking) {
		asked.set(stages, asking);
		stages.ask(asking.asked, containers);
	}
	const answers = await stages.cascade('lead', path);
	const elements = answers.map(({ matches, containers: held, computed }, up) => {
		const element = elementAt(of, path.slice(0, path.length - up));
		const writing = {
			writingMode: computed.get('writing-mode') ?? '',
			direction: computed.get('direction') ?? ''
		};
		return {
			tag: element?.tag ?? '',
			computed,
			held,
			fixed: {
				applying: asking.applying(matches),
				style: element ? styleDeclarations(of.source, page.path, element) : [],
				layers: cascade.layers,
				physical: (longhand: string) => physicalOf(longhand, writing),
				engine: browser
			}
		};
	});
	const holdsAt = (width: number, held: readonly boolean[]) => {
		const here = rationalFromNumber(width);
		return (condition: Condition): boolean => {
			if (condition.kind === 'media') return contains(page.widthsOf(condition.queries, vantage), here);
			if (condition.kind === 'supports') return CSS.supports(condition.text);
			return held[containers.indexOf(condition.text)] ?? false;
		};
	};
	/** The same widths are asked about for every property. */
	const cases = new Map<number, readonly Case[]>();
	const casesAt = (width: number): readonly Case[] => {
		let found = cases.get(width);
		if (!found) {
			found = elements.map(({ fixed, held }) => ({ ...fixed, holds: holdsAt(width, held) }));
			cases.set(width, found);
		}
		return found;
	};
	const first = casesAt(vantage.width)[0];
	return {
		properties: first ? [...propertiesSet(first)].sort() : [],
		longhands: browser.longhands.filter((name) => (elements[0]?.fixed.physical(name) ?? name) === name),
		at: (property, width, up = 0) =>
			outcomeOf(property, casesAt(width).slice(up), (further) => {
				const [own, around] = [elements[up + further], elements[up + further + 1]];
				return property.startsWith('--') || own?.computed.get(property) === around?.computed.get(property);
			}),
		around(property, width) {
			if (!isInherited(property)) return undefined;
			const outer = casesAt(width).slice(1);
			for (const [i, one] of outer.entries()) {
				const { winner } = verdictOf(property, one);
				if (winner) return { up: i + 1, winner };
			}
			return undefined;
		},
		noEffect(property) {
			const here = casesAt(vantage.width);
			const factsOf = (up: number): Facts | null => {
				const [element, of] = [elements[up], here[up]];
				return element && of
					? {
							tag: element.tag,
							computed: (longhand) => element.computed.get(longhand) ?? '',
							specified: (longhand) => verdictOf(longhand, of).winner?.value,
							parent: factsOf(up + 1)
						}
					: null;
			};
			const facts = factsOf(0);
			return facts?.specified(property) === undefined ? undefined : noEffectOf(property, facts);
		},
		computed: (property) => elements[0]?.computed.get(property) ?? '',
		wouldWin(property, width, specificity, file) {
			const [here] = casesAt(width);
			const texts = cascade.declared.filter((one) => one.file === file).map(({ text }) => text);
			return here
				? wouldWin(property, specificity, texts.length > 0 ? Math.max(...texts) : Infinity, here)
				: { wins: true };
		},
		ancestor: (up) => path.slice(0, path.length - up)
	};
}
