import type { ElementPath } from '../core/html/index.ts';
import { laidOut, type LaidOut } from '../core/snapshot/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { PageState } from './page.svelte.ts';
import type { Stages } from './stages.svelte.ts';

/** How an element is laid out at some widths, from real layout that nobody sees; each is told as it is had. */
export async function layoutAt(
	page: PageState,
	stages: Stages,
	path: ElementPath,
	vantage: SeenVantage,
	widths: readonly number[],
	signal: AbortSignal,
	told: (width: number, laid: LaidOut) => void
): Promise<void> {
	const { height, density } = vantage;
	const content = page.content(stages.prefix, vantage);
	const job = { content, viewport: { width: vantage.width, height, density }, widths, priority: 1, signal };
	for await (const { width, snapshot } of stages.queue.measure(job)) {
		const laid = laidOut(snapshot, path);
		if (laid) told(width, laid);
	}
}
