import { candidatesOf, isInherited, type Candidate, type Condition } from '../cascade/index.ts';
import { compareCuts, divide, rational, rationalFromNumber } from '../interval/index.ts';
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
import { keywordSize, USUAL_TEXT } from '../simulate/textSize.ts';
import { BY_TAG, CONTROL, FIXED, isControl } from './browserSizes.ts';
import { deciding, type Decided, type SizeContext, type SizedElement } from './decided.ts';

/** Sizes that engines treat as relative to the inherited size; not `rem` or calculations. */
const SHARE = /^\s*([\d.]+(em|r?ex|r?ch|%)|calc\(\s*[\d.]+%\s*\)|smaller|larger)\s*$/i;

/** Whether a size is independent of the font, relative to another, or a keyword. */
type SizeKind = 'absolute' | 'share' | { readonly keyword: string };

/** Where a value comes from over some widths. */
export interface Source {
	readonly over: Over;
	/** The declaration; undefined where the browser's own sheet or nothing sets it. */
	readonly from: Candidate | undefined;
	/** How many generations up. */
	readonly up: number;
	/** Its value with custom properties substituted; '' where there is none. */
	readonly value: string;
}

/** A length over all widths; or why only the engine knows it. */
export interface Size {
	readonly curve: Curve | null;
	readonly why: string;
	readonly sources: readonly Source[];
}

const unknown = (why: string): Curved => ({ kind: 'none', sentence: why, ask: true });
const known = (curve: Curve): Curved => ({ kind: 'curve', type: 'length', curve });

export interface Sizing {
	/** The text size of an element, by its index. */
	size(element: number): Size;
	/** A length property of an element; percentages and anything that depends on layout are left to the engine. */
	length(element: number, property: string): Size;
}

/**
 * Reads the sizes of a page's elements as curves over viewport width: the cascade in each range, then arithmetic.
 */
export function sizing(elements: readonly SizedElement[], context: SizeContext): Sizing {
	const sizes = new Map<number, Size>();
	const browser = rationalFromNumber(context.defaultSize);
	const [first, last] = [context.stretches[0], context.stretches.at(-1)];
	if (!first || !last) throw new RangeError('Sizes are read over some widths.');
	const whole: Over = { from: first.from, to: last.to };
	const { decided, inside, togetherBy, conditionsAt } = deciding(elements, context, whole);

	/** A number that identifies what an element and all its ancestors are for the cascade. */
	const kinds = new Map<string, number>();
	const kindOfElement: number[] = [];
	const kindOf = (element: number): number => {
		const { parent = -1, alike } = elements[element] ?? {};
		const known = kindOfElement[element];
		if (known !== undefined) return known;
		// Unique elements are kinds of their own, with numbers below the shared ones.
		if (alike === undefined) return (kindOfElement[element] = -1 - element);
		const key = `${parent < 0 ? '' : kindOf(parent)} ${alike}`;
		const kind = kinds.get(key) ?? kinds.size;
		kinds.set(key, kind);
		return (kindOfElement[element] = kind);
	};

	const chainOf = (element: number): readonly number[] => {
		const chain: number[] = [];
		for (let at = element; at >= 0; at = elements[at]?.parent ?? -1) chain.push(at);
		return chain;
	};

	/** The text size of the element so many generations up, over a range. */
	const sizeUp = (chain: readonly number[], up: number, over: Over): Curve | null => {
		const at = chain[up];
		if (at === undefined) return lineOver(over, line(browser));
		const { curve } = size(at);
		return curve && within(curve, over);
	};

	/**
	 * Every condition that matters to a property; an inherited text size is its parent's curve, whatever that depends
	 * on.
	 */
	const conditionsOf = (chain: readonly number[], property: string): readonly Condition[] => {
		// Whether `monospace` makes text smaller depends on the origin of the inherited size.
		const [own] = chain;
		const alone = property === 'font-size' && !turns(own ?? -1);
		if (alone && own !== undefined) return conditionsAt(own, property);
		return [...new Set(chain.flatMap((at) => conditionsAt(at, property)))];
	};

	/** The origin of an inherited value over a range. */
	const inheritedFrom = (chain: readonly number[], over: Over): Source[] => {
		const [, parent] = chain;
		return (parent === undefined ? [] : size(parent).sources).flatMap((source) => {
			const from = compareCuts(source.over.from, over.from) < 0 ? over.from : source.over.from;
			const to = compareCuts(over.to, source.over.to) < 0 ? over.to : source.over.to;
			return compareCuts(from, to) < 0 ? [{ ...source, over: { from, to }, up: source.up + 1 }] : [];
		});
	};

	function read(
		element: number,
		property: string,
		comesTo: (chain: readonly number[], over: Over, by: Decided) => Curved
	): Size {
		const chain = chainOf(element);
		const conditions = conditionsOf(chain, property);
		if (conditions.some(({ kind }) => kind === 'container'))
			return { curve: null, why: 'A container decides it: the engine alone knows it.', sources: [] };
		const sources: Source[] = [];
		const pieces: Curve[number][] = [];
		for (const over of togetherBy(chain, conditions)) {
			const by = decided(chain, property, over);
			const found = comesTo(chain, over, by);
			if (found.kind === 'none') return { curve: null, why: found.sentence, sources };
			pieces.push(...found.curve);
			if (by.up > 0 && property === 'font-size') {
				sources.push(...inheritedFrom(chain, over));
				continue;
			}
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

	/** The curves of texts over all widths, by the inherited size: the same few recur again and again. */
	const evaluated = new Map<Curve, Map<string, Curved>>();
	const initial = lineOver(whole, line(browser));

	/** The curve of a text of `font-size` on an element over a range. */
	function fontSize(text: string, [, parent, ...others]: readonly number[], over: Over): Curved {
		// While the root's own size is read, `rem` refers to the browser's size.
		const root = others.at(-1) ?? parent;
		const around = parent === undefined ? initial : size(parent).curve;
		const rem = root === undefined ? initial : size(root).curve;
		if (!around || !rem) return unknown('It goes by a size around that the engine alone knows.');
		const texts = evaluated.get(around) ?? new Map<string, Curved>();
		evaluated.set(around, texts);
		const found = texts.get(text) ?? sizeOf(text, around, rem);
		texts.set(text, found);
		return found.kind === 'none' ? found : { ...found, curve: within(found.curve, over) };
	}

	/** A text of `font-size` over all widths: `em` and percentages refer to the inherited size (CSS Fonts 4 §2.5). */
	function sizeOf(text: string, around: Curve, rem: Curve): Curved {
		const word = text.trim().toLowerCase();
		if (word === '') return unknown('A shorthand with custom properties says it: the engine alone knows it.');
		if (word === 'smaller') return known(scaledBy(around, rational(5, 6)));
		if (word === 'larger') return known(scaledBy(around, rational(6, 5)));
		const px = keywordSize(word, context.defaultSize);
		if (px !== undefined) return known(lineOver(whole, line(rationalFromNumber(px))));
		const found = curveOfText(text, contextOf(whole, around, rem, around));
		if (found.kind === 'none') return found;
		return found.curve.some(({ line: { constant, slope } }) => constant.n < 0n || slope.n < 0n)
			? notBelowZero(found.curve)
			: found;
	}

	const isMonospace = (element: number | undefined): boolean => elements[element ?? -1]?.monospace ?? false;

	/** Whether an element uses the browser's own `monospace` and its parent does not, or the other way round. */
	const turns = (element: number): boolean => isMonospace(element) !== isMonospace(elements[element]?.parent);

	/** The kind of a text of `font-size`; relative sizes are absolute where what they refer to is (as in engines). */
	function kindOfText(text: string, chain: readonly number[], up: number, over: Over): SizeKind {
		if (keywordSize(text.trim().toLowerCase(), USUAL_TEXT) !== undefined)
			return { keyword: text.trim().toLowerCase() };
		return SHARE.test(text) ? shareOf(chain, up + 1, over) : 'absolute';
	}

	const shareOf = (chain: readonly number[], up: number, over: Over): SizeKind =>
		kindUp(chain, up, over) === 'absolute' ? 'absolute' : 'share';

	/** The kind of the size of an ancestor so many generations up. */
	function kindUp(chain: readonly number[], up: number, over: Over): SizeKind {
		const at = chain[up];
		if (at === undefined) return { keyword: 'medium' };
		const { sources } = size(at);
		const source = sources.find(({ over: { to } }) => compareCuts(over.to, to) <= 0);
		if (!source?.from) return BY_TAG[elements[at]?.tag ?? ''] ? shareOf(chain, up + 1, over) : 'share';
		if (source.up > 0) return kindUp(chain, up + source.up, over);
		return kindOfText(source.value, chain, up, over);
	}

	/**
	 * A size where the browser's own `monospace` begins or ends: sizes that are not absolute refer to that family's own
	 * default.
	 */
	function turned(curve: Curve, kind: SizeKind, element: number, over: Over): Curve {
		if (kind === 'absolute') return curve;
		const [from, to] = isMonospace(element) ? [context.defaultSize, FIXED] : [FIXED, context.defaultSize];
		const px = kind === 'share' ? undefined : keywordSize(kind.keyword, to);
		return px === undefined
			? scaledBy(curve, divide(rationalFromNumber(to), rationalFromNumber(from)))
			: lineOver(over, line(rationalFromNumber(px)));
	}

	/**
	 * The size of an element without a declaration for it: its parent's, or the fraction of it in the browser's own
	 * sheet.
	 */
	function asAround(element: number): Size | undefined {
		const of = elements[element];
		if (!of || of.parent < 0 || isControl(of.tag) || turns(element)) return undefined;
		if (candidatesOf('font-size', of.at(inside(whole))).valid.length > 0) return undefined;
		const { curve, why, sources } = size(of.parent);
		const factor = BY_TAG[of.tag];
		return {
			curve: curve && factor ? scaledBy(curve, factor) : curve,
			why,
			sources: factor ? [] : sources.map((one) => ({ ...one, up: one.up + 1 }))
		};
	}

	function size(element: number): Size {
		const before = sizes.get(kindOf(element));
		if (before) return before;
		const of = elements[element];
		const found =
			asAround(element) ??
			read(element, 'font-size', (chain, over, { kind, from, up, text, explicit: said }) => {
				if (from && up === 0 && text !== null) {
					const own = fontSize(text, chain, over);
					if (own.kind === 'none' || !turns(element)) return own;
					return known(turned(own.curve, kindOfText(text, chain, 0, over), element, over));
				}
				// Inherited, or from the browser's own sheet: relative to its parent's computed size.
				if (kind === 'initial') return known(lineOver(over, line(browser)));
				const around = sizeUp(chain, 1, over);
				if (!around) return unknown('It goes by a size around that the engine alone knows.');
				// Invalid at computed-value time means unset (CSS Custom Properties 1 §3.1).
				const explicit = said || (from !== undefined && up === 0);
				if (explicit || !of) return known(around);
				if (isControl(of.tag)) return known(lineOver(over, line(CONTROL)));
				const factor = BY_TAG[of.tag];
				const own = factor ? scaledBy(around, factor) : around;
				if (!turns(element)) return known(own);
				return known(turned(own, factor ? shareOf(chain, 1, over) : kindUp(chain, 1, over), element, over));
			});
		sizes.set(kindOf(element), found);
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
				// A number refers to the element's own size, wherever it comes from (CSS Inline 3 §5.2).
				return known(scaledBy(own, rationalFromNumber(Number(text))));
			}
			return curveOfText(text, contextOf(over, em, root, isLine ? em : undefined));
		});
	}

	return { size, length };
}

/** Sizes are never below 0 (CSS Fonts 4 §2.5). */
function notBelowZero(curve: Curve): Curved {
	const [first, last] = [curve[0], curve.at(-1)];
	if (!first || !last) return known(curve);
	const over: Over = { from: first.from, to: last.to };
	const found = chosenOf('max', curve, lineOver(over, line(rational(0))));
	return found ? known(found) : unknown('It has more steps than can be told.');
}
