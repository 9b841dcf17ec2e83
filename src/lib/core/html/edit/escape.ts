/** A `&` that would be read as a character reference (HTML §13.2.5.72). */
const AMPERSAND = /&(?=[A-Za-z0-9#])/g;

/** Words as the text of an element is written. */
export const escapedText = (text: string): string => text.replace(AMPERSAND, '&amp;').replaceAll('<', '&lt;');

/** A value as an attribute within such quotes is written. */
export const escapedValue = (value: string, quote: string): string =>
	value.replace(AMPERSAND, '&amp;').replaceAll(quote, quote === '"' ? '&quot;' : '&#39;');
