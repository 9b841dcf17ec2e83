/**
 * How many times 16 px the text is that the browser was set to: what keeps room for words is multiplied by it. It
 * does not change while a page is open.
 */
export const textScale: number = parseFloat(getComputedStyle(document.documentElement).fontSize) / 16;
