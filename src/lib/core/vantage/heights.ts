import type { Vantage } from './vantage.ts';

/** Heights of a viewport, CSS px (CSS Values 4 §6.1.2.1). */
export interface ViewportHeights {
	/** With all bars shown: the basis of `svh`. */
	readonly small: number;
	/** With all bars hidden: the basis of `lvh` and `vh`. */
	readonly large: number;
	/** With the bars as they are: the basis of `dvh`, and the height of the frame. */
	readonly dynamic: number;
}

/** Whether the small, large and dynamic viewport differ in height, so that a frame cannot have them all. */
export const hasBars = ({ bars }: Vantage): boolean => bars.top + bars.bottom > 0;

export function heightsOf({ height, bars }: Vantage): ViewportHeights {
	const large = height + bars.top + bars.bottom;
	return { small: height, large, dynamic: bars.state === 'out' ? height : large };
}

/**
 * A zoomed vantage as the page in it sees it: at zoom 1, with fewer and denser px. Text size set in the browser keeps
 * its px, since zoom makes every px larger.
 */
export function unzoomed(vantage: Vantage): Vantage {
	const { zoom, bars, safeAreas: areas } = vantage;
	if (zoom === 1) return vantage;
	return {
		...vantage,
		zoom: 1,
		width: vantage.width / zoom,
		height: vantage.height / zoom,
		density: vantage.density * zoom,
		scrollbar: vantage.scrollbar / zoom,
		bars: { ...bars, top: bars.top / zoom, bottom: bars.bottom / zoom },
		safeAreas: {
			top: areas.top / zoom,
			right: areas.right / zoom,
			bottom: areas.bottom / zoom,
			left: areas.left / zoom
		}
	};
}
