import { FACT_LONGHANDS } from '../core/effect/index.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { LaidOut } from '../core/snapshot/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { InquiredPage } from './page.ts';
import type { Layout } from './layout.ts';
import { casesOf } from './cases.ts';
import { valuesFrom, type ElementValues } from './elementValues.ts';

/** What a measured page is kept from: its values are not the page's own. */
const STILLED = /^(animation|transition)|^(content-visibility|scroll-behavior)$/;

/**
 * How an element is laid out at some widths, and what its values come to there, from real layout that nobody sees;
 * each is told as it is had.
 */
export async function layoutAt(
	page: InquiredPage,
	layout: Layout,
	path: ElementPath,
	vantage: SeenVantage,
	widths: readonly number[],
	signal: AbortSignal,
	report: (width: number, laid: LaidOut, reported: ElementValues | undefined) => void
): Promise<void> {
	const cases = casesOf(page, layout, vantage);
	const elementQuery = { path, conditions: [], longhands: FACT_LONGHANDS };
	const job = { page, as: vantage, about: { elementQuery }, widths, priority: 1, signal };
	for await (const { width, laid, reported: found } of layout.askAt(job)) {
		const computed = [...(found?.computed ?? [])].filter(([name]) => !STILLED.test(name));
		const reported = found && valuesFrom(cases, width, { ...found, computed: new Map(computed) });
		if (laid) report(width, laid, reported);
	}
}
