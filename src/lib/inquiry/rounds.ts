/** The progress of measuring widths: every edge exact, then every px, then done. */
export type Phase = 'quick' | 'whole' | 'done';

/** So many widths are requested at once when idle: more urgent work waits for no more than these. */
export const PORTION = 24;

/** What is measured, width by width. */
export interface Looking {
	/** The widths to begin with, CSS px. */
	readonly first: readonly number[];
	/** The widths still needed for exact edges; none when all are exact. */
	readonly next: () => readonly number[];
	/** Some of the widths that then remain. */
	readonly remaining: () => readonly number[];
	/** Measures widths, the more urgent the greater the priority. Throws where nothing could be measured. */
	readonly measure: (widths: readonly number[], priority: number) => Promise<void>;
	readonly onphase: (phase: Phase) => void;
	/** Whether the remaining widths have to wait. */
	readonly isPaused: () => boolean;
	readonly signal: AbortSignal;
}

/** Measures widths in rounds, quick ones first, then, when idle, every px, until the signal ends it. */
export async function inRounds(looking: Looking): Promise<void> {
	const { next, remaining, measure, onphase, isPaused, signal } = looking;
	onphase('quick');
	let widths = looking.first.length > 0 ? looking.first : next();
	for (; widths.length > 0 && !signal.aborted; widths = next()) await measure(widths, 0);
	if (signal.aborted) return;
	onphase('whole');
	for (widths = remaining(); widths.length > 0; widths = remaining()) {
		if (signal.aborted || isPaused()) return;
		await measure(widths, -1);
	}
	if (!signal.aborted) onphase('done');
}
