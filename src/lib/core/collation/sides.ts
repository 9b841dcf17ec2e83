import { T, textOf, tokensOf } from '../css/tokens.ts';

/** Families of four sides: their shorthand, and where the side appears in the names of their longhands. */
const FAMILIES: readonly (readonly [all: string, side: (side: string) => string])[] = [
	...['margin', 'padding', 'scroll-margin', 'scroll-padding'].map(
		(name) => [name, (side: string) => `${name}-${side}`] as const
	),
	['inset', (side) => (/^(inline|block)/.test(side) ? `inset-${side}` : side)],
	...['width', 'style', 'color'].map(
		(name) => [`border-${name}`, (side: string) => `border-${side}-${name}`] as const
	)
];

const ENDS = ['inline-start', 'inline-end', 'block-start', 'block-end'];
const SIDES = ['inline', 'block', 'top', 'right', 'bottom', 'left'];

/**
 * All properties for sides of a box that overlap with a given one: all four, both inline ones, both block ones, each
 * single one. None for a property that is not about sides.
 */
export function sidesOf(property: string): string[] {
	for (const [all, side] of FAMILIES) {
		const names = [all, ...SIDES.map(side)];
		const ends = ENDS.map(side);
		if (names.includes(property)) return names;
		if (ends.includes(property)) return [property, ...names];
	}
	return [];
}

/** The physical name of a longhand in an element's writing mode. */
type Physical = (longhand: string) => string;

/**
 * The flow-relative name of a physical side's property in a writing mode; undefined for properties that are not about
 * a side.
 */
export function logicalOf(property: string, physical: Physical): string | undefined {
	for (const [, side] of FAMILIES) {
		if (!SIDES.map(side).includes(property)) continue;
		return ENDS.map(side).find((one) => physical(one) === property);
	}
	return undefined;
}

/**
 * The components of a value, separated by spaces; undefined where something else separates them, or where the text
 * does not tell.
 */
function componentsOf(value: string): string[] | undefined {
	const tokens = tokensOf(value.trim());
	const found = [''];
	for (let i = 0; i < tokens.count; i++) {
		const type = tokens.types[i];
		const text = textOf(tokens, i);
		if (type === T.WhiteSpace) found.push('');
		else if (type === T.Delim || type === T.Comma || type === T.Comment || /^var\($/i.test(text))
			return undefined;
		else {
			const close = type === T.Function ? (tokens.close[i] as number) : i;
			if (close >= tokens.count) return undefined;
			for (; i < close; i++) found.push((found.pop() ?? '') + textOf(tokens, i));
			found.push((found.pop() ?? '') + textOf(tokens, i));
		}
	}
	return found.every((one) => one !== '') ? found : undefined;
}

/** Four sides, clockwise from the top, in their shortest notation (CSS Box Model 4 §3.2). */
function shortest([top = '', right = '', bottom = '', left = '']: readonly string[]): string {
	if (left !== right) return [top, right, bottom, left].join(' ');
	if (bottom !== top) return [top, right, bottom].join(' ');
	return right === top ? top : `${top} ${right}`;
}

/**
 * The value of a shorthand with the length of one physical side changed; undefined where the shorthand does not set
 * that side, or its value does not list sides (a keyword for all, a variable).
 */
export function withSide(
	shorthand: string,
	value: string,
	property: string,
	length: string,
	physical: Physical
): string | undefined {
	const family = FAMILIES.find(([all, side]) => [all, side('inline'), side('block')].includes(shorthand));
	const components = componentsOf(value);
	if (!family || !components || components.length > 4) return undefined;
	if (components.some((one) => /^(inherit|initial|unset|revert(-layer)?)$/i.test(one))) return undefined;
	const [all, side] = family;
	const [first = '', second = first, third = first, fourth = second] = components;
	const axis = shorthand === side('inline') ? 'inline' : 'block';
	const names = shorthand === all ? ['top', 'right', 'bottom', 'left'] : [`${axis}-start`, `${axis}-end`];
	const at = names.findIndex((one) => physical(side(one)) === property);
	if (at < 0 || components.length > names.length) return undefined;
	const sides = [first, second, third, fourth].slice(0, names.length);
	sides[at] = length;
	return names.length === 4 ? shortest(sides) : [...new Set(sides)].join(' ');
}
