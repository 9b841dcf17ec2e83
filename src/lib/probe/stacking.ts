import { own } from './own.ts';
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

/** Of the properties that make stacking contexts, those that a document's styles say anywhere, with their first values. */
export function stackingSaid(document: Document): typeof AT_FIRST {
	const said = [
		...[...own(document).querySelectorAll('style')].map(({ textContent }) => textContent),
		...[...own(document).querySelectorAll('[style]')].map(
			(element) => own(element).getAttribute('style') ?? ''
		)
	].join('\n');
	return [...AT_FIRST, ['contain', 'none'] as const, ['will-change', 'auto'] as const].filter(([property]) =>
		said.includes(property.replace('mask-image', 'mask'))
	);
}

/**
 * Whether an element is a stacking context, by its computed style (CSS Positioned Layout 3 §4, with the properties of
 * other modules that make one); `item`: whether it is one of a flex or grid container, `said`: what of them is said at all.
 */
export function isStacking(style: CSSStyleDeclaration, item: boolean, said: typeof AT_FIRST): boolean {
	const { position } = style;
	if (position === 'fixed' || position === 'sticky') return true;
	if ((position !== 'static' || item) && style.zIndex !== 'auto') return true;
	return said.some(([property, first]) => {
		const value = style.getPropertyValue(property);
		if (value === first) return false;
		if (property === 'contain') return /\b(layout|paint|strict|content)\b/.test(value);
		return property !== 'will-change' || value.split(',').some((one) => WILL.has(one.trim()));
	});
}
