/** How far a look at widths has come: every edge exact, then every px, then done. */
export type Phase = 'quick' | 'whole' | 'done';

/** So many widths are asked for at once in quiet time: what is more urgent waits no longer than for these. */
export const PORTION = 24;

/** What is measured, width by width. */
export interface Looking {
	/** The widths to begin with, CSS px. */
	readonly first: readonly number[];
	/** The widths without which edges are not exact; none when they are. */
	readonly next: () => readonly number[];
	/** Some of the widths that are left then. */
	readonly remaining: () => readonly number[];
	/** Measures widths, the more urgent the greater the priority. Throws where nothing could be measured. */
	readonly measure: (widths: readonly number[], priority: number) => Promise<void>;
	readonly onphase: (phase: Phase) => void;
	/** Whether what is left is to wait. */
	readonly isPaused: () => boolean;
	readonly signal: AbortSignal;
}

/** Looks at widths in rounds, quick ones first, then in quiet time every px, until the signal ends it. */
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
