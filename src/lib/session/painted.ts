/** How long low-priority work waits for frames that do not come, ms. */
const PATIENCE = 4000;

let resolveShown: () => void = () => undefined;

const shown = new Promise<void>((resolve) => {
	resolveShown = resolve;
	setTimeout(resolve, PATIENCE);
});

const MARK = 'vantaggio: frames painted';

/**
 * Notes that the frames have shown the page since a time, ms since 1970; 0 where nothing had to be painted. Called by
 * the Bench.
 */
export function framesPainted(at: number): void {
	if (at > 0) {
		// Only the last mark: the browser keeps each one as long as the page is open.
		performance.clearMarks(MARK);
		performance.mark(MARK, { startTime: at - performance.timeOrigin });
	}
	resolveShown();
}

/**
 * Resolves when the frames first show the page, or do not come: threads started earlier would take time from them.
 */
export const framesFirst = (): Promise<void> => shown;

/** Resolves when idle after the frames first show the page, to start what nobody looks at before. */
export const afterFrames = async (): Promise<void> => {
	await shown;
	await new Promise((resolve) => requestIdleCallback(resolve, { timeout: PATIENCE }));
};
