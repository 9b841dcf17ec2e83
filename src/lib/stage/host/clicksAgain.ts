/** A click on a page: in which frame, where in its window (CSS px), and when (ms). */
export interface Click {
	readonly frame: string;
	readonly x: number;
	readonly y: number;
	readonly at: number;
}

/** Clicks no further apart count as at the same place, CSS px; and with no longer a pause as a series, ms. */
const [NEAR, SOON] = [4, 10_000];

/** Tells for each click whether it is at the same place as the previous one, and soon after it. */
export function clicksAgain(): (click: Click) => boolean {
	let last: Click | undefined;
	return (click) => {
		const again =
			last?.frame === click.frame &&
			Math.hypot(last.x - click.x, last.y - click.y) <= NEAR &&
			click.at - last.at <= SOON;
		last = click;
		return again;
	};
}
