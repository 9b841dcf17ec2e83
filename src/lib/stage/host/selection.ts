import { own } from '../../probe/own.ts';
import { gapsAround, gapsBetween, type Gap } from '../../core/box/index.ts';
import { boxesAround, boxOf, rectOf } from '../../probe/box.ts';
import { elementByPath } from '../../probe/path.ts';
import { ghostOf, unseenOf } from '../../probe/unseen.ts';
import type { SelectedIn } from '../protocol.ts';
import { drawBoxes } from './drawing.ts';
import type { PageFrame } from './pageFrame.ts';

type Paths = readonly (readonly number[])[];

/** What in a page may move its boxes, besides the application. */
const MOVES = ['scroll', 'load', 'toggle', 'input', 'change', 'transitionend', 'animationend'] as const;

/** The upper and lower edges of an element and of all its ancestors. */
function extents(element: Element | null | undefined): SelectedIn['ladder'] {
	const found: (readonly [number, number] | null)[] = [];
	for (let at = element ?? null; at; at = own(at).parentElement) {
		const { top, bottom } = own(at).getBoundingClientRect();
		found.push(own(at).getClientRects().length > 0 ? [top, bottom] : null);
	}
	return found;
}

/** The selected elements, drawn in every frame and reported to the application whenever their boxes change. */
export function selection(
	frames: () => ReadonlyMap<string, PageFrame>,
	report: (boxes: readonly SelectedIn[]) => void
) {
	let paths: Paths = [];
	let distances = false;
	let waiting = false;
	let reported = '[]';
	const drawings = new Map<PageFrame, SVGElement>();
	const observers = new Map<PageFrame, ResizeObserver>();

	const selected = (frame: PageFrame): (Element | null)[] =>
		paths.map((path) => elementByPath(frame.document(), path));

	function gaps(elements: readonly Element[]): Gap[] {
		const [first, second] = elements;
		if (!distances || !first) return [];
		if (second)
			return gapsBetween(
				rectOf(own(first).getBoundingClientRect()),
				rectOf(own(second).getBoundingClientRect())
			);
		const { neighbours, around } = boxesAround(first);
		return gapsAround(rectOf(own(first).getBoundingClientRect()), neighbours, around);
	}

	function draw(frame: PageFrame): Pick<SelectedIn, 'boxes' | 'unseen' | 'ladder'> {
		drawings.get(frame)?.remove();
		drawings.delete(frame);
		const elements = selected(frame);
		const boxes = elements.map((element) => element && boxOf(element));
		const unseen = elements.map((element) => element && unseenOf(element));
		const ghosts = elements.flatMap((element, i) => {
			const ghost = element && !boxes[i] ? ghostOf(element) : null;
			return ghost ? [ghost] : [];
		});
		if (boxes.some((box) => box) || ghosts.length > 0) {
			const shown = elements.filter((element) => element !== null);
			const whole = frame.box.getBoundingClientRect();
			const { width, height, left, top } = frame.seen();
			const drawing = drawBoxes(
				boxes.filter((box) => box !== null),
				ghosts,
				shown.flatMap((element) => [...own(element).getClientRects()].map(rectOf)),
				gaps(shown),
				whole.width / frame.window().innerWidth,
				{ left: left - whole.left, top: top - whole.top, width, height }
			);
			frame.box.append(drawing);
			drawings.set(frame, drawing);
		}
		return { boxes, unseen, ladder: extents(elements[0]) };
	}

	function drawAll(): void {
		waiting = false;
		const all: SelectedIn[] = [];
		for (const [id, frame] of frames()) {
			const { scrollX: x, scrollY: y } = frame.window();
			all.push({ frame: id, ...draw(frame), scroll: { x, y } });
		}
		const next = JSON.stringify(all);
		if (next !== reported) report(all);
		reported = next;
	}

	/** Draws with the screen's next update, once for all changes until then. */
	function soon(): void {
		if (waiting) return;
		waiting = true;
		requestAnimationFrame(drawAll);
	}

	/** Observes the sizes of the selected elements in a frame, and of its page. */
	function follow(frame: PageFrame): void {
		observers.get(frame)?.disconnect();
		observers.delete(frame);
		const Observer = (frame.window() as Window & typeof globalThis).ResizeObserver;
		const elements = selected(frame).filter((element) => element !== null);
		if (elements.length === 0) return;
		const observer = new Observer(soon);
		for (const element of [...elements, own(frame.document()).documentElement]) observer.observe(element);
		observers.set(frame, observer);
	}

	return {
		select(next: Paths, withDistances: boolean): void {
			paths = next;
			distances = withDistances;
			for (const frame of frames().values()) follow(frame);
			soon();
		},
		/** A page was written into a frame. */
		written(frame: PageFrame): void {
			for (const type of MOVES) {
				own(frame.document()).addEventListener(type, () => paths.length > 0 && soon(), {
					capture: true,
					passive: true
				});
			}
			follow(frame);
			if (paths.length > 0) soon();
		},
		/** Frames were laid out, or their sheets replaced. */
		changed(): void {
			if (paths.length > 0) soon();
		},
		forget(frame: PageFrame): void {
			observers.get(frame)?.disconnect();
			observers.delete(frame);
			drawings.delete(frame);
		}
	};
}
