/**
 * A text with stretches of it replaced by spaces, so that every other offset, and every line end, stays where it is.
 */
export function blanked(
	text: string,
	spans: readonly { readonly start: number; readonly end: number }[]
): string {
	let blank = text;
	for (const { start, end } of spans) {
		blank = blank.slice(0, start) + blank.slice(start, end).replace(/[^\n]/g, ' ') + blank.slice(end);
	}
	return blank;
}
