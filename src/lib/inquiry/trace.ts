import {
	isInherited,
	outcomeOf,
	declarationsOn,
	propertiesSet,
	substituted,
	verdictOf,
	wouldWin,
	type Candidate,
	type Outcome,
	type Registration
} from '../core/cascade/index.ts';
import type { Specificity } from '../core/selector/index.ts';
import { noEffectOf, type NoEffect } from '../core/effect/index.ts';
import { elementAt, nameOfElement, type ElementPath } from '../core/html/index.ts';
import type { Bands } from '../core/media/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import { flipsOf, type Flips } from './flips.ts';
import { factsOf } from './idle.ts';
import { lineageOf } from './lineage.ts';
import { sharesOf } from './shares.ts';
import type { InquiredPage } from './page.ts';
import type { Layout } from './layout.ts';

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
	/** What a value comes to with its custom properties put in, and whether the browser takes that; null where one is missing. */
	comesTo(
		property: string,
		value: string,
		width: number,
		up: number
	): { readonly text: string; readonly valid: boolean } | null;
	/** What a custom property is registered for; undefined for one that takes anything. */
	syntax(property: string): string | undefined;
	/** What moves a property in the lead now, in words; undefined where nothing does. */
	moving(property: string): string | undefined;
	/** What the percentages and relative lengths of a value of its own are in the lead, a sentence each. */
	shares(property: string, value: string): string[];
	/** The shorthands that are declared on it, with the longhands that each sets. */
	readonly shorthands: ReadonlyMap<string, readonly string[]>;
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
	/** Whole px inside of bands at which containers flip; none until `refined`. */
	readonly cuts: readonly number[];
	/**
	 * The same with what containers answer at other widths, on a grid that is finer each time, in the end at every
	 * whole one; undefined where nothing on the element asks them, or all is known.
	 */
	readonly refined: ((bands: Bands, signal: AbortSignal) => Promise<Trace>) | undefined;
	/** The container that a condition asks, by what it is called and how wide it is; '' where there is none. */
	containerOf(condition: string): string;
	/** The pseudo-elements of the element that the page's own sheets speak of. */
	readonly pseudos: readonly string[];
	/** The path of the ancestor so many generations up. */
	ancestor(up: number): ElementPath;
}

/** Asks the lead's frame about an element, and gives what decides its values, for a vantage at any width. */
export async function traceOf(
	page: InquiredPage,
	layout: Layout,
	path: ElementPath,
	vantage: SeenVantage,
	pseudo = '',
	flips?: Flips
): Promise<Trace> {
	const [lineage, moving, containing, facts] = await Promise.all([
		lineageOf(page, layout, path, vantage, pseudo, flips),
		// What moves, and what boxes are around, is asked of elements alone.
		pseudo === '' ? layout.moving('lead', path) : [],
		pseudo === '' ? layout.containing('lead', path) : null,
		pseudo === '' ? factsOf(page, layout, vantage, path) : undefined
	]);
	const { cascade, engine, answers } = lineage;
	const first = lineage.at(vantage.width)[0];
	const at: Trace['at'] = (property, width, up = 0) =>
		outcomeOf(
			property,
			lineage.at(width).slice(up),
			(further) => lineage.sameAsParent(property, up + further),
			cascade.registered
		);
	/** What an `@property` of the page makes of values of a custom property. */
	const registration = (name: string): Registration | undefined => {
		const one = cascade.registered.get(name);
		return one && { ...one, fits: (text) => engine.fits(one.syntax, one.initial ?? '', text) };
	};
	const shorthands = new Map<string, readonly string[]>();
	for (const { property, value } of first ? declarationsOn(first) : []) {
		const longhands = [...(engine.expand(property, value)?.keys() ?? [])];
		if (property !== 'all' && longhands.length > 0 && !longhands.includes(property))
			shorthands.set(property, longhands);
	}
	return {
		properties: first ? [...propertiesSet(first)].sort() : [],
		longhands: engine.longhands.filter((name) => (first?.physical(name) ?? name) === name),
		at,
		comesTo(property, value, width, up) {
			const text = substituted(value, up, (name, from) => at(name, width, from), registration);
			if (text === null) return null;
			const valid = property.startsWith('--')
				? (registration(property)?.fits(text) ?? true)
				: engine.expand(property, text) !== null;
			return { text, valid };
		},
		moving(property) {
			const on = moving.find(
				(one) => one.property === property || engine.expand(one.property, 'inherit')?.has(property) === true
			);
			return on && (on.by === 'transition' ? 'a transition' : `the animation ${on.name}`);
		},
		shares: (property, value) =>
			sharesOf(property, value, {
				page: page.page,
				up: answers.map(({ computed }) => computed),
				containing,
				width: vantage.width
			}),
		syntax(property) {
			const syntax = cascade.registered.get(property)?.syntax;
			return syntax === '*' ? undefined : syntax;
		},
		shorthands,
		around(property, width) {
			if (!isInherited(property, cascade.registered)) return undefined;
			const outer = lineage.at(width).slice(1);
			for (const [i, one] of outer.entries()) {
				const { winner } = verdictOf(property, one);
				if (winner) return { up: i + 1, winner };
			}
			return undefined;
		},
		noEffect: (property) =>
			facts?.specified(property) === undefined ? undefined : noEffectOf(property, facts),
		computed: (property) => answers[0]?.computed.get(property) ?? '',
		wouldWin(property, width, specificity, file) {
			const [here] = lineage.at(width);
			const texts = cascade.declared.filter((one) => one.file === file).map(({ text }) => text);
			return here
				? wouldWin(property, specificity, texts.length > 0 ? Math.max(...texts) : Infinity, here)
				: { wins: true };
		},
		cuts: flips?.cuts ?? [],
		refined:
			flips?.step === 1 || !lineage.asks
				? undefined
				: async (bands, signal) =>
						traceOf(
							page,
							layout,
							path,
							vantage,
							pseudo,
							await flipsOf(page, layout, path, vantage, bands, lineage.containers, flips, signal)
						),
		containerOf(condition) {
			const [, name = ''] =
				/^\s*((?!not\b|style\b)[-\w]+)\s*(?:\(|$|and\b|not\b|style)/i.exec(condition) ?? [];
			const up = answers.findIndex(
				({ computed }, i) =>
					i > 0 &&
					computed.get('container-type') !== 'normal' &&
					(name === '' || (computed.get('container-name') ?? '').split(/\s+/).includes(name))
			);
			const around = up < 0 ? undefined : elementAt(page.page, lineage.path(up));
			const width = answers[up]?.computed.get('inline-size') ?? '';
			return around ? `${nameOfElement(around)}, ${width} wide` : '';
		},
		pseudos: answers[0] ? lineage.pseudos(answers[0]) : [],
		ancestor: lineage.path
	};
}
