/** Whether an element paints what is behind it over, by its computed style. */
export const isOpaque = (
	{ localName }: Element,
	{ backgroundColor, backgroundImage, opacity }: CSSStyleDeclaration
): boolean =>
	Number(opacity) === 1 &&
	(/^(img|video|canvas|iframe)$/.test(localName) ||
		backgroundImage.includes('url(') ||
		/^rgb\(|^color\([^/]*\)$/.test(backgroundColor));
