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

/** Where the values of an element come from, in the present page of the lead. */
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
	/**
	 * A value with its custom properties substituted, and whether the browser accepts that; null where one is missing.
	 */
	comesTo(
		property: string,
		value: string,
		width: number,
		up: number
	): { readonly text: string; readonly valid: boolean } | null;
	/** The registered syntax of a custom property; undefined for one that accepts anything. */
	syntax(property: string): string | undefined;
	/**
	 * What is changing a property in the lead now (an animation or a transition), in words; undefined where nothing is.
	 */
	moving(property: string): string | undefined;
	/** The results of the percentages and relative lengths of a value in the lead, one sentence each. */
	shares(property: string, value: string): string[];
	/** The shorthands declared on it, with the longhands that each sets. */
	readonly shorthands: ReadonlyMap<string, readonly string[]>;
	/** The nearest ancestor with a declaration of its own that would be inherited if the element had none. */
	around(property: string, width: number): { readonly up: number; readonly winner: Candidate } | undefined;
	/** Why a declaration of the element has no effect in the lead as it is; undefined where it may have one. */
	noEffect(property: string): NoEffect | undefined;
	/** A property's value in the lead; '' where it has none. */
	computed(property: string): string;
	/** Whether a new normal declaration at the end of a file, with this specificity, would win a property. */
	wouldWin(
		property: string,
		width: number,
		specificity: Specificity,
		file: string
	): ReturnType<typeof wouldWin>;
	/** Whole px inside of bands at which container queries change; none until `refined`. */
	readonly cuts: readonly number[];
	/**
	 * The same with the results of container queries at other widths, on a grid that gets finer each time, finally at
	 * every whole one; undefined where nothing about the element depends on them, or all is known.
	 */
	readonly refined: ((bands: Bands, signal: AbortSignal) => Promise<Trace>) | undefined;
	/** The container that a condition refers to: its name, and how wide it is; '' where there is none. */
	containerOf(condition: string): string;
	/** The pseudo-elements of the element that occur in the page's sheets. */
	readonly pseudos: readonly string[];
	/** The path of the ancestor so many generations up. */
	ancestor(up: number): ElementPath;
}

/** Asks the lead's frame about an element, and returns what decides its values, in a vantage at any width. */
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
		// Animations, and boxes of ancestors, are only asked for elements.
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
	/** What an `@property` of the page does to values of a custom property. */
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
