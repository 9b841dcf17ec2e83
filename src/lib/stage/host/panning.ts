import { own } from '../../probe/own.ts';
import { isField } from './forwardKeys.ts';
import type { PageFrame } from './pageFrame.ts';

/**
 * Px per line, and the fraction of the visible part per page, for wheels that report those (UI Events, `deltaMode`).
 */
const LINE = 40;
const PAGE = 0.9;

/** Whether something in the page under the pointer scrolls in that direction by itself. */
function scrollsInside(frame: PageFrame, target: EventTarget | null, down: boolean): boolean {
	const document = own(frame.document());
	for (let at = target as Element | null; at && at !== document.documentElement; at = own(at).parentElement) {
		if (at === document.body) continue;
		const { scrollTop, scrollHeight, clientHeight } = own(at);
		const room = down ? scrollHeight - clientHeight - scrollTop : scrollTop;
		if (room >= 1 && /auto|scroll/.test(frame.window().getComputedStyle(at).overflowY)) return true;
	}
	return false;
}

/**
 * How far the visible part of a viewport is to be moved, CSS px, where something would scroll the page so far: as
 * with a pinch-zoomed page, that part moves over the viewport first. 0 where the page is to scroll.
 */
function panInstead(frame: PageFrame, event: Event, by: number, always: boolean): number {
	const { part, pans, viewport } = frame.placement;
	if (!part || !pans || by === 0 || event.defaultPrevented) return 0;
	if (!always && scrollsInside(frame, event.target, by > 0)) return 0;
	return Math.min(Math.max(by, -part.top), viewport.height - part.height - part.top);
}

/** How far a key scrolls, as a fraction of what is visible, or of a line. */
const KEYS: Readonly<Record<string, (seen: number) => number>> = {
	ArrowDown: () => LINE,
	ArrowUp: () => -LINE,
	PageDown: (seen) => PAGE * seen,
	PageUp: (seen) => -PAGE * seen,
	' ': (seen) => PAGE * seen,
	Home: () => -Infinity,
	End: () => Infinity
};

/** Reports how far the visible part of a frame is to be moved when wheel or keys would scroll its page. */
export function listenForPans(frame: PageFrame, report: (by: number) => void): void {
	const seen = (): number => frame.placement.part?.height ?? 0;
	function instead(event: Event, by: number, always: boolean): void {
		const pan = panInstead(frame, event, by, always);
		if (pan === 0) return;
		event.preventDefault();
		report(pan);
	}
	const document = own(frame.document());
	document.addEventListener(
		'wheel',
		(event) => {
			const turned = event.deltaY || (event.shiftKey ? event.deltaX : 0);
			const by = turned * ([1, LINE, PAGE * seen()][event.deltaMode] ?? 1);
			if (!event.ctrlKey) instead(event, by, event.shiftKey);
		},
		{ passive: false }
	);
	document.addEventListener('keydown', (event) => {
		const by = KEYS[event.key]?.(seen());
		const alone = !event.ctrlKey && !event.metaKey && !event.altKey && !event.shiftKey;
		if (by !== undefined && alone && !isField(event.target)) instead(event, by, false);
	});
}

/** How far the visible part of a viewport is to be moved, CSS px, to include a stretch of it. */
export function panTo({ placement: { part, pans } }: PageFrame, top: number, height: number): number {
	if (!part || !pans || (top >= part.top && top + height <= part.top + part.height)) return 0;
	return top - Math.max(0, (part.height - height) / 2) - part.top;
}
