/**
 * The text size set in the browser as a multiple of 16 px, by which space for words is multiplied. It does not change
 * while a page is open.
 */
export const textScale: number = parseFloat(getComputedStyle(document.documentElement).fontSize) / 16;
