import {
	isInherited,
	outcomeOf,
	propertiesSet,
	verdictOf,
	wouldWin,
	type Candidate,
	type Case,
	type Outcome
} from '../core/cascade/index.ts';
import type { Specificity } from '../core/selector/index.ts';
import { noEffectOf, type NoEffect } from '../core/effect/index.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { Vantage } from '../core/vantage/index.ts';
import { casesOf } from './cases.ts';
import { factsOf } from './idle.ts';
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

/** Asks the lead's frame about an element, and gives what decides its values, for a vantage at any width. */
export async function traceOf(
	page: PageState,
	stages: Stages,
	path: ElementPath,
	vantage: Vantage
): Promise<Trace> {
	const cases = casesOf(page, stages, vantage);
	const { cascade, engine } = cases;
	const [answers, facts] = await Promise.all([
		stages.cascade('lead', path),
		factsOf(page, stages, vantage, path)
	]);
	const elements = answers.map((answer, up) => ({
		computed: answer.computed,
		at: cases.of(path.slice(0, path.length - up), answer)
	}));
	const casesAt = (width: number): readonly Case[] => elements.map(({ at }) => at(width));
	const first = casesAt(vantage.width)[0];
	return {
		properties: first ? [...propertiesSet(first)].sort() : [],
		longhands: engine.longhands.filter((name) => (first?.physical(name) ?? name) === name),
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
		noEffect: (property) =>
			facts?.specified(property) === undefined ? undefined : noEffectOf(property, facts),
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
