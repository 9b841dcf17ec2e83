/** Families of four sides: the shorthand of all, with the place of a side in its longhands' names. */
const FAMILIES: readonly (readonly [all: string, side: (side: string) => string])[] = [
	...['margin', 'padding', 'scroll-margin', 'scroll-padding'].map(
		(name) => [name, (side: string) => `${name}-${side}`] as const
	),
	['inset', (side) => (/^(inline|block)/.test(side) ? `inset-${side}` : side)],
	...['width', 'style', 'color'].map(
		(name) => [`border-${name}`, (side: string) => `border-${side}-${name}`] as const
	)
];

const SIDES = ['inline', 'block', 'top', 'right', 'bottom', 'left'];

/**
 * The properties that set the sides of a box of which a property sets one or several: all four, both inline ones, both
 * block ones, each. None for a property that is not about sides.
 */
export function sidesOf(property: string): string[] {
	for (const [all, side] of FAMILIES) {
		const names = [all, ...SIDES.map(side)];
		const ends = ['inline-start', 'inline-end', 'block-start', 'block-end'].map(side);
		if (names.includes(property)) return names;
		if (ends.includes(property)) return [property, ...names];
	}
	return [];
}
