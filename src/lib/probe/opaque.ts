/** Whether an element paints what is behind it over, by its computed style, where it is not faded. */
export const isOpaque = (
	{ localName }: Element,
	{ backgroundColor, backgroundImage }: CSSStyleDeclaration
): boolean =>
	/^(img|video|canvas|iframe)$/.test(localName) ||
	backgroundImage.includes('url(') ||
	/^rgb\(|^color\([^/]*\)$/.test(backgroundColor);
