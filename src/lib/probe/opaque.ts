import { own } from './own.ts';

/** Whether an element paints what is behind it over, by its computed style, where it is not faded. */
export const isOpaque = (
	element: Element,
	{ backgroundColor, backgroundImage }: CSSStyleDeclaration
): boolean =>
	/^(img|video|canvas|iframe)$/.test(own(element).localName) ||
	backgroundImage.includes('url(') ||
	/^rgb\(|^color\([^/]*\)$/.test(backgroundColor);
