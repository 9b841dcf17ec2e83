/** How long what can wait waits for frames that do not come, ms. */
const PATIENCE = 4000;

let told: () => void = () => undefined;

const shown = new Promise<void>((resolve) => {
	told = resolve;
	setTimeout(resolve, PATIENCE);
});

/** The frames show the page; said by the Bench. */
export const framesPainted = (): void => told();

/** Resolves in a quiet moment after the frames first show the page: what nobody looks at before begins then. */
export const afterFrames = async (): Promise<void> => {
	await shown;
	await new Promise((resolve) => requestIdleCallback(resolve, { timeout: PATIENCE }));
};
