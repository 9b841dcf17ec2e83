/** How long what can wait waits for frames that do not come, ms. */
const PATIENCE = 4000;

let resolveShown: () => void = () => undefined;

const shown = new Promise<void>((resolve) => {
	resolveShown = resolve;
	setTimeout(resolve, PATIENCE);
});

const MARK = 'vantaggio: frames painted';

/** The frames show the page since a time, ms since 1970; 0 where nothing had to be painted. Said by the Bench. */
export function framesPainted(at: number): void {
	if (at > 0) {
		// The last one alone: the browser keeps each mark for as long as the page is open.
		performance.clearMarks(MARK);
		performance.mark(MARK, { startTime: at - performance.timeOrigin });
	}
	resolveShown();
}

/** Resolves when the frames first show the page, or do not come: a thread that begins before takes time from them. */
export const framesFirst = (): Promise<void> => shown;

/** Resolves in a quiet moment after the frames first show the page: what nobody looks at before begins then. */
export const afterFrames = async (): Promise<void> => {
	await shown;
	await new Promise((resolve) => requestIdleCallback(resolve, { timeout: PATIENCE }));
};
