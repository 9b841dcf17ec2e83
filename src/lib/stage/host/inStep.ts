import { own } from '../../probe/own.ts';
import { elementByPath, pathOf } from '../../probe/path.ts';
import type { PageFrame } from './pageFrame.ts';

/** How far down the screen the line is by which frames are kept in step, px; less on a low screen. */
const EYE = 120;

const eyeLine = (window: Window): number => Math.min(EYE, window.innerHeight / 4);

/** Whether an element stays where it is when the page scrolls. */
function isPinned(element: Element, window: Window): boolean {
	for (let at: Element | null = element; at; at = own(at).parentElement) {
		if (/^(fixed|sticky)$/.test(window.getComputedStyle(at).position)) return true;
	}
	return false;
}

/** Where elements are looked for along that line, as fractions of the width. */
const ACROSS = [0.1, 0.3, 0.5, 0.7, 0.9];

/** The innermost element at the line in a frame, and how far down it the line is, from 0 to 1. */
function underEye(window: Window): { path: number[]; share: number } | null {
	const y = eyeLine(window);
	let found: { element: Element; box: DOMRect } | undefined;
	for (const across of ACROSS) {
		for (const element of own(window.document).elementsFromPoint(window.innerWidth * across, y)) {
			if (isPinned(element, window)) continue;
			const box = own(element).getBoundingClientRect();
			if (!found || box.height < found.box.height) found = { element, box };
			break;
		}
	}
	if (!found) return null;
	const { top, height } = found.box;
	return { path: pathOf(found.element), share: height > 0 ? (y - top) / height : 0 };
}

/** The element at a path, or its nearest ancestor with a box. */
function shownAt(document: Document, path: readonly number[]): Element | null {
	let element = elementByPath(document, path);
	while (element && own(element).getClientRects().length === 0) element = own(element).parentElement;
	return element;
}

/**
 * Keeps frames in step: when one is scrolled, the others scroll so that the same element is at the same height of the
 * screen. A frame that follows leads no other.
 */
export function inStep(frames: () => Iterable<PageFrame>) {
	/** Where we scrolled a frame to: its scroll event is an echo. */
	const put = new Map<PageFrame, number>();
	let waiting: PageFrame | null = null;
	let on = true;

	function follow(leader: PageFrame): void {
		const window = leader.window();
		const eye = underEye(window);
		for (const frame of frames()) {
			if (frame === leader) continue;
			const other = frame.window();
			const element = eye && shownAt(other.document, eye.path);
			const box = own(element)?.getBoundingClientRect();
			const to =
				window.scrollY <= 0 || !eye || !box
					? 0
					: other.scrollY + box.top + eye.share * box.height - eyeLine(other);
			other.scrollTo({ left: other.scrollX, top: to, behavior: 'instant' });
			put.set(frame, other.scrollY);
		}
	}

	return {
		switch(to: boolean): void {
			on = to;
		},
		/** A frame has scrolled, by a person or by us. */
		scrolled(frame: PageFrame): void {
			const echo = put.get(frame);
			put.delete(frame);
			if (!on || (echo !== undefined && Math.abs(echo - frame.window().scrollY) < 1)) return;
			if (!waiting) {
				requestAnimationFrame(() => {
					const leader = waiting;
					waiting = null;
					// It may have gone by then.
					if (leader && [...frames()].includes(leader)) follow(leader);
				});
			}
			waiting = frame;
		}
	};
}
