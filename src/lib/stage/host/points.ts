import type { PagePoint } from '../protocol.ts';
import { drawPoints } from './drawing.ts';
import type { PageFrame } from './pageFrame.ts';

/** Points that were clicked on a page, shown in their frame with the distances between consecutive ones. */
export function pointing(frames: () => ReadonlyMap<string, PageFrame>, report: (point: PagePoint) => void) {
	let on = false;
	let points: readonly PagePoint[] = [];
	const drawings: SVGElement[] = [];

	function draw(): void {
		for (const drawing of drawings.splice(0)) drawing.remove();
		for (const [id, frame] of frames()) {
			const mine = points.filter((point) => point.frame === id);
			if (mine.length === 0) continue;
			const { width, height } = frame.box.getBoundingClientRect();
			const { innerWidth, scrollX, scrollY } = frame.window();
			const inWindow = mine.map(({ x, y }) => ({ x: x - scrollX, y: y - scrollY }));
			const drawing = drawPoints(inWindow, width / innerWidth, { left: 0, top: 0, width, height });
			frame.box.append(drawing);
			drawings.push(drawing);
		}
	}

	return {
		/** Whether clicks are points, and which points are shown. */
		set(nowOn: boolean, shown: readonly PagePoint[]): void {
			on = nowOn;
			points = shown;
			draw();
		},
		/** Takes a click as a point; false where clicks are not points. */
		take(frame: PageFrame, event: MouseEvent): boolean {
			if (!on) return false;
			const { scrollX, scrollY } = frame.window();
			report({ frame: frame.placement.frame, x: event.clientX + scrollX, y: event.clientY + scrollY });
			return true;
		},
		changed: draw
	};
}
