/** Properties that make an element a stacking context where they are not as at first, with that value. */
const AT_FIRST: readonly (readonly [property: string, value: string])[] = [
	['opacity', '1'],
	['transform', 'none'],
	['translate', 'none'],
	['rotate', 'none'],
	['scale', 'none'],
	['perspective', 'none'],
	['filter', 'none'],
	['backdrop-filter', 'none'],
	['clip-path', 'none'],
	['mask-image', 'none'],
	['mix-blend-mode', 'normal'],
	['isolation', 'auto']
];
const WILL = new Set(AT_FIRST.map(([property]) => property));

/**
 * Whether an element is a stacking context, by its computed style (CSS Positioned Layout 3 §4, with the properties of
 * other modules that make one); `item`: whether it is one of a flex or grid container.
 */
export function isStacking(style: CSSStyleDeclaration, item: boolean): boolean {
	const { position, zIndex, willChange, contain } = style;
	if (position === 'fixed' || position === 'sticky') return true;
	if (zIndex !== 'auto' && (position !== 'static' || item)) return true;
	if (AT_FIRST.some(([property, value]) => style.getPropertyValue(property) !== value)) return true;
	return (
		/\b(layout|paint|strict|content)\b/.test(contain) ||
		willChange.split(',').some((one) => WILL.has(one.trim()))
	);
}
