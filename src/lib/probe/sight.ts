/** How far to scroll so that a stretch stands in the middle of a room, or begins where that begins if it is longer. */
const way = (from: number, length: number, room: number): number => from - Math.max(0, (room - length) / 2);

/**
 * Scrolls what is around an element, and its page, so that the element is in sight. Unlike `scrollIntoView` it moves
 * nothing outside of the page.
 */
export function bringIntoSight(element: Element, window: Window): void {
	const root = element.ownerDocument.scrollingElement;
	for (let at = element.parentElement; at && at !== root; at = at.parentElement) {
		const { overflowX, overflowY } = window.getComputedStyle(at);
		if (!/auto|scroll|hidden/.test(overflowX + overflowY)) continue;
		const [own, box] = [element.getBoundingClientRect(), at.getBoundingClientRect()];
		at.scrollBy({
			left: way(own.left - box.left, own.width, at.clientWidth),
			top: way(own.top - box.top, own.height, at.clientHeight),
			behavior: 'instant'
		});
	}
	const { top, height } = element.getBoundingClientRect();
	window.scrollBy({ top: way(top, height, window.innerHeight), behavior: 'instant' });
}
