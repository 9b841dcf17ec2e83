import {
	isInherited,
	outcomeOf,
	substituted,
	type Candidate,
	type Case,
	type Condition,
	type Outcome,
	candidatesOf
} from '../cascade/index.ts';
import {
	compareCuts,
	middle,
	rational,
	rationalFromNumber,
	toNumber,
	ONE,
	type Rational
} from '../interval/index.ts';
import {
	chosenOf,
	curveOfText,
	joined,
	line,
	lineOver,
	scaledBy,
	within,
	type Curve,
	type CurveContext,
	type Curved,
	type Over
} from '../length/index.ts';
import { keywordSize } from '../simulate/textSize.ts';

/** An element whose sizes are read: what decides its values at a width, CSS px, and what is around it. */
export interface SizedElement {
	readonly tag: string;
	/** Index of its parent among the elements, which stands before it; -1 for the root. */
	readonly parent: number;
	readonly at: (width: number) => Case;
	/** Whether its text is in the browser's own `monospace` alone, which makes it smaller. */
	readonly monospace: boolean;
}

/** Over which widths sizes are read, and what lengths go by there. */
export interface SizeContext {
	/** The stretches in which no condition changes, ascending, each from where the one before ends. */
	readonly stretches: readonly Over[];
	readonly heights: CurveContext['heights'];
	/** The text size set in the browser, px. */
	readonly defaultSize: number;
}

/** Where a value comes from over some widths. */
export interface Source {
	readonly over: Over;
	/** The declaration; undefined where the browser's own sheet or nothing says it. */
	readonly from: Candidate | undefined;
	/** So many generations up. */
	readonly up: number;
	/** Its value with custom properties put in; '' where none is. */
	readonly value: string;
}

/** A length over all widths; where the engine alone knows it, why. */
export interface Size {
	readonly curve: Curve | null;
	readonly why: string;
	readonly sources: readonly Source[];
}

/** What the browser's own sheet makes of the size around (HTML §15.3). */
const BY_TAG: Readonly<Record<string, Rational>> = {
	h1: rational(2),
	h2: rational(3, 2),
	h3: rational(117, 100),
	h5: rational(83, 100),
	h6: rational(67, 100),
	small: rational(5, 6),
	sub: rational(5, 6),
	sup: rational(5, 6),
	big: rational(6, 5),
	rt: rational(1, 2)
};

/** Controls have a size of their own, px, in every engine's sheet. */
const CONTROL = rational(40, 3);
const isControl = (tag: string): boolean => /^(button|input|select|textarea)$/.test(tag);

const unknown = (why: string): Curved => ({ kind: 'none', sentence: why, ask: true });
const known = (curve: Curve): Curved => ({ kind: 'curve', type: 'length', curve });

/** A width inside a stretch, CSS px, at which conditions are asked. */
const inside = ({ from, to }: Over): number => toNumber(middle(from.at, to.at));

export interface Sizing {
	/** The text size of an element, by its index. */
	size(element: number): Size;
	/** A length property of an element; percentages and what goes by the layout are the engine's. */
	length(element: number, property: string): Size;
}

/** Reads the sizes of a page's elements as curves over viewport width: the cascade in each stretch, then arithmetic. */
export function sizing(elements: readonly SizedElement[], context: SizeContext): Sizing {
	const sizes = new Map<number, Size>();
	const browser = rationalFromNumber(context.defaultSize);

	const chainOf = (element: number): readonly number[] => {
		const chain: number[] = [];
		for (let at = element; at >= 0; at = elements[at]?.parent ?? -1) chain.push(at);
		return chain;
	};

	/** The text size of the element so many generations up, over a stretch. */
	const sizeUp = (chain: readonly number[], up: number, over: Over): Curve | null => {
		const at = chain[up];
		if (at === undefined) return lineOver(over, line(browser));
		const { curve } = size(at);
		return curve && within(curve, over);
	};

	/** What outcome a property has on an element in a stretch, and the text that it comes to. */
	function decided(chain: readonly number[], property: string, over: Over) {
		const width = inside(over);
		const cases = chain.flatMap((at) => elements[at]?.at(width) ?? []);
		const look = (name: string, up: number): Outcome | undefined =>
			outcomeOf(name, cases.slice(up), () => true);
		const outcome = look(property, 0);
		const from =
			outcome?.kind === 'inherited'
				? outcome.from.winner
				: outcome?.kind === 'own'
					? outcome.own.winner
					: undefined;
		const up = outcome?.kind === 'inherited' ? outcome.up : 0;
		// As written it has all its digits.
		const said = from?.property === property ? from.written : from?.value;
		const text = said === undefined ? '' : substituted(said, up, look);
		return { outcome, from, up, text };
	}

	/** Whether what a property comes to in one stretch is what it comes to in another: the same conditions hold. */
	function stretchKey(chain: readonly number[], conditions: readonly Condition[], over: Over): string {
		const width = inside(over);
		const own = elements[chain[0] ?? -1]?.at(width);
		return conditions.map((one) => (own?.holds(one) ? '1' : '0')).join('');
	}

	/** Every condition that bears on text sizes or custom properties of an element's own, and on its layers. */
	const conditionsOf = (chain: readonly number[], property: string): Condition[] => {
		const found = new Set<Condition>();
		for (const at of chain) {
			const of = elements[at]?.at(inside(context.stretches[0] as Over));
			for (const { conditions } of of?.layers ?? []) for (const one of conditions) found.add(one);
			for (const { conditions } of of ? candidatesOf(property, of).valid : [])
				for (const one of conditions) found.add(one);
			for (const { declared } of of?.applying ?? [])
				if (declared.declarations.some((one) => one.property.startsWith('--')))
					for (const one of declared.conditions) found.add(one);
		}
		return [...found];
	};

	function read(
		element: number,
		property: string,
		comesTo: (chain: readonly number[], over: Over, by: ReturnType<typeof decided>) => Curved
	): Size {
		const chain = chainOf(element);
		const conditions = conditionsOf(chain, property);
		if (conditions.some(({ kind }) => kind === 'container'))
			return { curve: null, why: 'A container decides it: the engine alone knows it.', sources: [] };
		const sources: Source[] = [];
		const pieces: Curve[number][] = [];
		const answers = new Map<string, ReturnType<typeof decided>>();
		for (const over of context.stretches) {
			const key = stretchKey(chain, conditions, over);
			const by = answers.get(key) ?? decided(chain, property, over);
			answers.set(key, by);
			const found = comesTo(chain, over, by);
			if (found.kind === 'none') return { curve: null, why: found.sentence, sources };
			pieces.push(...found.curve);
			const last = sources.at(-1);
			const same = last?.from === by.from && last?.up === by.up && last.value === (by.text ?? '');
			if (last && same) sources[sources.length - 1] = { ...last, over: { ...last.over, to: over.to } };
			else sources.push({ over, from: by.from, up: by.up, value: by.text ?? '' });
		}
		return { curve: joined(pieces), why: '', sources };
	}

	const contextOf = (over: Over, em: Curve, rem: Curve, percent?: Curve): CurveContext => ({
		over,
		em,
		rem,
		percent,
		heights: context.heights
	});

	/** The root's text size over a stretch; the browser's own while that is being read itself. */
	const rootSize = (chain: readonly number[], over: Over): Curve | null =>
		chain.length > 1 ? sizeUp(chain, chain.length - 1, over) : lineOver(over, line(browser));

	/** What a text of `font-size` comes to on an element: `em` and percentages are of the size around (CSS Fonts 4 §2.5). */
	function fontSize(text: string, chain: readonly number[], over: Over): Curved {
		const around = sizeUp(chain, 1, over);
		const root = rootSize(chain, over);
		if (!around || !root) return unknown('It goes by a size around that the engine alone knows.');
		const word = text.trim().toLowerCase();
		if (word === '') return unknown('A shorthand with custom properties says it: the engine alone knows it.');
		if (word === 'smaller') return known(scaledBy(around, rational(5, 6)));
		if (word === 'larger') return known(scaledBy(around, rational(6, 5)));
		const px = keywordSize(word, context.defaultSize);
		if (px !== undefined) return known(lineOver(over, line(rationalFromNumber(px))));
		const found = curveOfText(text, contextOf(over, around, root, around));
		if (found.kind === 'none') return found;
		return found.curve.some(({ line: { constant, slope } }) => constant.n < 0n || slope.n < 0n)
			? notBelowZero(found.curve)
			: found;
	}

	/** Whether a size goes back to one that is no share of another, which the browser's own `monospace` leaves alone. */
	function isAbsolute(chain: readonly number[], up: number, over: Over): boolean {
		const at = chain[up];
		if (at === undefined) return false;
		const { sources } = size(at);
		const source = sources.find(({ over: { to } }) => compareCuts(over.to, to) <= 0);
		if (!source?.from) return false;
		if (source.up > 0) return isAbsolute(chain, up + source.up, over);
		const isShare = /^\s*([\d.]+(r?em|r?ex|r?ch|%)|smaller|larger|(xx?-|xxx-)?(small|large)|medium)\s*$/i;
		return !isShare.test(source.value) || isAbsolute(chain, up + 1, over);
	}

	function size(element: number): Size {
		const before = sizes.get(element);
		if (before) return before;
		const of = elements[element];
		const found = read(element, 'font-size', (chain, over, { outcome, from, up, text }) => {
			if (from && up === 0 && text !== null) return fontSize(text, chain, over);
			// Inherited, or the browser's own: of what its parent computes to.
			if (outcome?.kind === 'initial') return known(lineOver(over, line(browser)));
			const around = sizeUp(chain, 1, over);
			if (!around) return unknown('It goes by a size around that the engine alone knows.');
			// Invalid at computed-value time is as if it were not set (CSS Custom Properties 1 §3.1).
			const asked = (outcome?.kind === 'inherited' && outcome.asked) || (from !== undefined && up === 0);
			if (asked || !of) return known(around);
			if (isControl(of.tag)) return known(lineOver(over, line(CONTROL)));
			const inMonospace = elements[of.parent]?.monospace ?? false;
			const alone = of.monospace && !inMonospace && !isAbsolute(chain, 1, over);
			const factor = alone ? rational(13, 16) : (BY_TAG[of.tag] ?? ONE);
			return known(factor === ONE ? around : scaledBy(around, factor));
		});
		sizes.set(element, found);
		return found;
	}

	function length(element: number, property: string): Size {
		if (property === 'font-size') return size(element);
		return read(element, property, (chain, over, { from, up, text }) => {
			if (!from || text === null || text === '')
				return unknown(`No declaration of the page’s gives its ${property}.`);
			const holder = isInherited(property) ? up : 0;
			const [em, root] = [sizeUp(chain, holder, over), sizeUp(chain, chain.length - 1, over)];
			const own = sizeUp(chain, 0, over);
			if (!em || !root || !own) return unknown('It goes by a size that the engine alone knows.');
			const isLine = property === 'line-height';
			if (isLine && /^\s*[\d.]+\s*$/.test(text)) {
				// A number goes by the element's own size, wherever it comes from (CSS Inline 3 §5.2).
				return known(scaledBy(own, rationalFromNumber(Number(text))));
			}
			return curveOfText(text, contextOf(over, em, root, isLine ? em : undefined));
		});
	}

	return { size, length };
}

/** Sizes are never less than 0 (CSS Fonts 4 §2.5). */
function notBelowZero(curve: Curve): Curved {
	const [first, last] = [curve[0], curve.at(-1)];
	if (!first || !last) return known(curve);
	const over: Over = { from: first.from, to: last.to };
	const found = chosenOf('max', curve, lineOver(over, line(rational(0))));
	return found ? known(found) : unknown('It has more steps than can be told.');
}
