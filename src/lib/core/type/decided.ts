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

/** An element whose sizes are read: what decides its values at a width, CSS px, and what is around it. */
export interface SizedElement {
	readonly tag: string;
	/** Index of its parent among the elements, which stands before it; -1 for the root. */
	readonly parent: number;
	readonly at: (width: number) => Case;
	/** Whether its text is in the browser's own `monospace` alone, which makes it smaller. */
	readonly monospace: boolean;
	/** What it is for the cascade: elements alike, whose parents are alike, have the same sizes. None where it is like no other. */
	readonly alike?: string;
}

/** Over which widths sizes are read, and what lengths go by there. */
export interface SizeContext {
	/** The stretches in which no condition changes, ascending, each from where the one before ends. */
	readonly stretches: readonly Over[];
	readonly heights: CurveContext['heights'];
	/** The text size set in the browser, px. */
	readonly defaultSize: number;
}

/** How a property is decided on an element over a stretch. */
export interface Decided {
	readonly kind: Outcome['kind'];
	/** The declaration; undefined where none of the page's gives it. */
	readonly from: Candidate | undefined;
	readonly up: number;
	/** Its value with custom properties put in; null where one is missing, '' where there is none. */
	readonly text: string | null;
	/** Whether the element itself asks for what is around it. */
	readonly explicit: boolean;
}

/** Values that lead elsewhere: CSS-wide keywords (CSS Cascade 5 §7.3), and custom properties. */
const LED = /^\s*(inherit|initial|unset|revert|revert-layer)?\s*$|var\(/i;

/** How properties are decided on elements, and by which conditions, over the stretches of a context. */
export function deciding(
	elements: readonly SizedElement[],
	{ stretches }: Pick<SizeContext, 'stretches'>,
	whole: Over
) {
	const inner = new Map(stretches.map(({ from, to }) => [from, toNumber(middle(from.at, to.at))]));
	/** A width inside a stretch, or inside the first of several, CSS px, at which conditions are asked. */
	const inside = ({ from }: Over): number => inner.get(from) ?? toNumber(from.at);

	/** What outcome a property has on an element in a stretch, and the text that it comes to. */
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

	/** The stretches over which the same of some conditions hold, those that touch as one. */
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

	/** The conditions on a property's declarations on an element, on its layers, and on custom properties where it uses some. */
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
	/** The conditions on custom properties of an element and of all around it. */
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
