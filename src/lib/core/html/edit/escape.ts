/** A `&` that would be read as a character reference (HTML §13.2.5.72). */
const AMPERSAND = /&(?=[A-Za-z0-9#])/g;

/** Text escaped for the content of an element. */
export const escapedText = (text: string): string => text.replace(AMPERSAND, '&amp;').replaceAll('<', '&lt;');

/** A value escaped for an attribute in such quotes. */
export const escapedValue = (value: string, quote: string): string =>
	value.replace(AMPERSAND, '&amp;').replaceAll(quote, quote === '"' ? '&quot;' : '&#39;');
