/**
 * The value to which a key moves a slider: by 1, with Shift by 10, or to an end; undefined for other keys. `down`
 * says whether its values increase downwards, unlike the ARIA pattern for sliders.
 */
export function slid(
	{ key, shiftKey }: KeyboardEvent,
	value: number,
	[first, last]: readonly [number, number],
	down = false
): number | undefined {
	const size = shiftKey ? 10 : 1;
	return {
		ArrowLeft: value - size,
		ArrowRight: value + size,
		ArrowUp: down ? value - size : value + size,
		ArrowDown: down ? value + size : value - size,
		Home: first,
		End: last
	}[key];
}
