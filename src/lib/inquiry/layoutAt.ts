import { FACT_LONGHANDS } from '../core/effect/index.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { LaidOut } from '../core/snapshot/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { InquiredPage } from './page.ts';
import type { Layout } from './layout.ts';
import { casesOf } from './cases.ts';
import { valuesFrom, type ElementValues } from './elementValues.ts';

/** Switched off while a page is measured, because it changes values temporarily. */
const STILLED = /^(animation|transition)|^(content-visibility|scroll-behavior)$/;

/** The layout of an element at some widths, and its values there, measured out of sight and reported one by one. */
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
