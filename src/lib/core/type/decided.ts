import {
	candidatesOf,
	decider,
	outcomeOf,
	substituted,
	verdictOf,
	type Candidate,
	type Case,
	type Condition,
	type Outcome
} from '../cascade/index.ts';
import { middle, toNumber } from '../interval/index.ts';
import type { CurveContext, Over } from '../length/index.ts';

/** An element whose sizes are read: what decides its values at a width, CSS px, and its parent. */
export interface SizedElement {
	readonly tag: string;
	/** Index of its parent, which precedes it among the elements; -1 for the root. */
	readonly parent: number;
	readonly at: (width: number) => Case;
	/** Whether its text is in the browser's own `monospace` alone, which makes it smaller. */
	readonly monospace: boolean;
	/**
	 * A key for the cascade: elements with the same key, whose parents have the same key, have the same sizes. None
	 * where it is unique.
	 */
	readonly alike?: string;
}

/** The widths over which sizes are read, and what lengths depend on there. */
export interface SizeContext {
	/** The ranges in which no condition changes, ascending, each beginning where the previous one ends. */
	readonly stretches: readonly Over[];
	readonly heights: CurveContext['heights'];
	/** The text size set in the browser, px. */
	readonly defaultSize: number;
}

/** How a property is decided on an element over a range. */
export interface Decided {
	readonly kind: Outcome['kind'];
	/** The declaration; undefined where no declaration of the page sets it. */
	readonly from: Candidate | undefined;
	readonly up: number;
	/** Its value with custom properties substituted; null where one is missing, '' where there is none. */
	readonly text: string | null;
	/** Whether the element itself inherits by keyword. */
	readonly explicit: boolean;
}

/** Values that refer elsewhere: CSS-wide keywords (CSS Cascade 5 §7.3), and custom properties. */
const LED = /^\s*(inherit|initial|unset|revert|revert-layer)?\s*$|var\(/i;

/** How properties are decided on elements, and by which conditions, over the ranges of a context. */
export function deciding(
	elements: readonly SizedElement[],
	{ stretches }: Pick<SizeContext, 'stretches'>,
	whole: Over
) {
	const inner = new Map(stretches.map(({ from, to }) => [from, toNumber(middle(from.at, to.at))]));
	/** A width inside a range, or inside the first of several, CSS px, at which conditions are evaluated. */
	const inside = ({ from }: Over): number => inner.get(from) ?? toNumber(from.at);

	/** The outcome of a property on an element in a range, and the text of its value. */
	function decided(chain: readonly number[], property: string, over: Over): Decided {
		const width = inside(over);
		const own = elements[chain[0] ?? -1]?.at(width);
		const [only, ...more] = own ? candidatesOf(property, own).valid : [];
		const isAlone = only && more.length === 0 && only.conditions.length === 0 && !only.hit?.states.length;
		const winner = isAlone ? only : own && verdictOf(property, own).winner;
		// As written it has all its digits.
		const text = (from: Candidate): string => (from.property === property ? from.written : from.value);
		if (winner && !LED.test(text(winner)))
			return { kind: 'own', from: winner, up: 0, text: text(winner).trim(), explicit: false };
		const cases = chain.flatMap((at) => elements[at]?.at(width) ?? []);
		const look = (name: string, up: number): Outcome | undefined =>
			outcomeOf(name, cases.slice(up), () => true);
		const outcome = look(property, 0);
		const from = outcome && decider(outcome);
		const up = outcome?.kind === 'inherited' ? outcome.up : 0;
		return {
			kind: outcome?.kind ?? 'browser',
			from: outcome?.kind === 'inherited' || outcome?.kind === 'own' ? from : undefined,
			up,
			text: from && outcome?.kind !== 'initial' ? substituted(text(from), up, look) : '',
			explicit: outcome?.kind === 'inherited' && outcome.explicit
		};
	}

	/** The ranges over which some conditions have the same results, adjacent ones joined. */
	function togetherBy(chain: readonly number[], conditions: readonly Condition[]): Over[] {
		const own = elements[chain[0] ?? -1];
		if (conditions.length === 0 || !own) return [whole];
		const found: Over[] = [];
		let last: readonly boolean[] = [];
		for (const over of stretches) {
			const { holds } = own.at(inside(over));
			const now = conditions.map(holds);
			const before = found.at(-1);
			if (before && now.every((one, i) => one === last[i]))
				found[found.length - 1] = { ...before, to: over.to };
			else found.push(over);
			last = now;
		}
		return found;
	}

	/**
	 * The conditions that matter to a property of an element: on its declarations, on its layers, and on custom
	 * properties that it uses.
	 */
	function conditionsAt(at: number, property: string): readonly Condition[] {
		const of = elements[at]?.at(inside(whole));
		if (!of) return [];
		const own = candidatesOf(property, of).valid;
		const found: Condition[] = [];
		for (const { conditions } of of.layers) found.push(...conditions);
		for (const { conditions } of own) found.push(...conditions);
		if (own.some(({ value, written }) => value === '' || written.includes('var(')))
			found.push(...customConditions(at));
		return found;
	}

	const custom = new Map<number, readonly Condition[]>();
	/** The conditions on custom properties of an element and of all its ancestors. */
	function customConditions(at: number): readonly Condition[] {
		const known = custom.get(at);
		if (known) return known;
		const { parent = -1 } = elements[at] ?? {};
		const own = (elements[at]?.at(inside(whole)).applying ?? []).flatMap(({ declared }) =>
			declared.conditions.length > 0 && declared.declarations.some((one) => one.property.startsWith('--'))
				? declared.conditions
				: []
		);
		const found = parent < 0 ? own : [...new Set([...own, ...customConditions(parent)])];
		custom.set(at, found);
		return found;
	}

	return { decided, inside, togetherBy, conditionsAt };
}
