import {
	askingOf,
	cascadeOf,
	hintDeclarations,
	physicalOf,
	readSelectorsAhead,
	styleDeclarations,
	type Asking,
	type Case,
	type Condition,
	type PageCascade
} from '../core/cascade/index.ts';
import { elementAt, type ElementPath } from '../core/html/index.ts';
import { contains, rationalFromNumber } from '../core/interval/index.ts';
import { rememberedWith } from '../core/remember/index.ts';
import type { Steps } from '../core/steps/index.ts';
import type { Vantage } from '../core/vantage/index.ts';
import type { ElementAnswer } from '../stage/protocol.ts';
import type { InquiredPage } from './page.ts';
import type { BrowserEngine, Layout } from './layout.ts';

/** Converts a stage's answers about elements to cases of the cascade, for a page and a vantage at any width. */
export interface Cases {
	readonly cascade: PageCascade;
	readonly engine: BrowserEngine;
	/** The page's `@container` conditions, each once. */
	readonly containers: readonly string[];
	/** The pseudo-elements of an element that occur in the sheets. */
	pseudos(answer: ElementAnswer): string[];
	/**
	 * What decides the values of an element, or of a pseudo-element of it, given a stage's answers; `held` says which
	 * container conditions hold at other widths.
	 */
	of(
		path: ElementPath,
		answer: ElementAnswer,
		held?: (width: number) => readonly boolean[],
		pseudo?: string
	): (width: number) => Case;
}

const lastAsked = new WeakMap<Layout, Asking>();

/** What a page's sheets declare, as long as its conditions, and so its texts, stay the same. */
const cascadeOfPage = rememberedWith(
	({ conditions }: InquiredPage) => conditions,
	({ page, path, sources }) => cascadeOf(page, path, sources)
);

/** The questions about what sheets declare. */
const askingOfCascade = rememberedWith((cascade: PageCascade) => cascade, askingOf);

/** Reads in advance what `casesOf` needs from a page. */
export function* readCascade(page: InquiredPage): Steps<void> {
	yield* readSelectorsAhead(page.conditions, page.sources);
	const cascade = cascadeOfPage(page);
	yield;
	askingOfCascade(cascade);
	yield;
}

/** The `@container` conditions of a page, each once. */
const containersOf = (cascade: PageCascade): string[] => [
	...new Set(
		cascade.declared.flatMap(({ conditions }) =>
			conditions.flatMap(({ kind, text }) => (kind === 'container' ? text : []))
		)
	)
];

/** Tells a stage what will be asked about a page from now on, and returns how to read its answers. */
export function casesOf(page: InquiredPage, layout: Layout, vantage: Vantage): Cases {
	const cascade = cascadeOfPage(page);
	const asking = askingOfCascade(cascade);
	const of = page.page;
	const { engine } = layout;
	const containers = containersOf(cascade);
	if (lastAsked.get(layout) !== asking) {
		lastAsked.set(layout, asking);
		layout.ask(asking.queries, containers);
	}
	const holdsAt = (width: number, held: readonly boolean[]) => {
		const here = rationalFromNumber(width);
		const known = new Map<Condition, boolean>();
		const evaluate = (condition: Condition): boolean => {
			if (condition.kind === 'media') return contains(page.widthsOf(condition.queries, vantage), here);
			if (condition.kind === 'supports') return engine.supports(condition.text);
			return held[containers.indexOf(condition.text)] ?? false;
		};
		return (condition: Condition): boolean => {
			let holds = known.get(condition);
			if (holds === undefined) known.set(condition, (holds = evaluate(condition)));
			return holds;
		};
	};
	return {
		cascade,
		engine,
		containers,
		pseudos: ({ matches }) => asking.pseudos(matches),
		of(path, { matches, containers: here, computed }, held = () => here, pseudo = '') {
			// Attributes belong to the element itself.
			const element = pseudo === '' ? elementAt(of, path) : undefined;
			const writing = {
				writingMode: computed.get('writing-mode') ?? '',
				direction: computed.get('direction') ?? ''
			};
			const fixed = {
				applying: asking.applying(matches, pseudo),
				style: element ? styleDeclarations(of.source, page.path, element) : [],
				hints: element ? hintDeclarations(page.path, element) : [],
				layers: cascade.layers,
				physical: (longhand: string) => physicalOf(longhand, writing),
				engine
			};
			// The same widths recur for every property.
			const cases = new Map<number, Case>();
			return (width) => {
				let found = cases.get(width);
				if (!found) cases.set(width, (found = { ...fixed, holds: holdsAt(width, held(width)) }));
				return found;
			};
		}
	};
}
