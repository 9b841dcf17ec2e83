import { own } from './own.ts';
/** How far to scroll so that a stretch stands in the middle of a room, or begins where that begins if it is longer. */
const way = (from: number, length: number, room: number): number => from - Math.max(0, (room - length) / 2);

/**
 * Scrolls what is around an element, and its page, so that the element is in sight. Unlike `scrollIntoView` it moves
 * nothing outside of the page.
 */
export function bringIntoSight(element: Element, window: Window): void {
	const root = own(own(element).ownerDocument).scrollingElement;
	for (let at = own(element).parentElement; at && at !== root; at = own(at).parentElement) {
		const { overflowX, overflowY } = window.getComputedStyle(at);
		if (!/auto|scroll|hidden/.test(overflowX + overflowY)) continue;
		const [its, box] = [own(element).getBoundingClientRect(), own(at).getBoundingClientRect()];
		own(at).scrollBy({
			left: way(its.left - box.left, its.width, own(at).clientWidth),
			top: way(its.top - box.top, its.height, own(at).clientHeight),
			behavior: 'instant'
		});
	}
	const { top, height } = own(element).getBoundingClientRect();
	window.scrollBy({ top: way(top, height, window.innerHeight), behavior: 'instant' });
}
