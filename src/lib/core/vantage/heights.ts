import type { Vantage } from './vantage.ts';

/** Heights of a viewport, CSS px (CSS Values 4 §6.1.2.1). */
export interface ViewportHeights {
	/** All bars out: what `svh` goes by. */
	readonly small: number;
	/** All bars in: what `lvh` and `vh` go by. */
	readonly large: number;
	/** As the bars are: what `dvh` goes by, and how high the frame is. */
	readonly dynamic: number;
}

/** Whether the heights of small, large and dynamic viewport differ, so that a frame cannot have them all. */
export const hasBars = ({ bars }: Vantage): boolean => bars.top + bars.bottom > 0;

export function heightsOf({ height, bars }: Vantage): ViewportHeights {
	const large = height + bars.top + bars.bottom;
	return { small: height, large, dynamic: bars.state === 'out' ? height : large };
}

/**
 * A zoomed vantage as the page in it sees it: of zoom 1, with fewer and denser px. Text size set in the browser
 * stays as it is in px, for zoom makes every px larger.
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
