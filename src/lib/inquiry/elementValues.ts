import { FACT_LONGHANDS, noEffectOf, type NoEffect } from '../core/effect/index.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import { casesOf, type Cases } from './cases.ts';
import { factsIn } from './idle.ts';
import type { InquiredPage } from './page.ts';
import type { Layout, ReportedElement } from './layout.ts';

/** What a live frame tells of the values of an element. */
export interface ElementValues {
	/** Why a longhand does nothing; undefined where it may do something, or nobody sets it. */
	noEffect(longhand: string): NoEffect | undefined;
	/** What a longhand computes to; '' where it has no value. */
	computed(longhand: string): string;
}

interface ValuesRequest {
	readonly page: InquiredPage;
	readonly layout: Layout;
	readonly paths: readonly ElementPath[];
	readonly lead: SeenVantage;
}

/** What is told of an element at a width, by the cases of when it was asked. */
export function valuesFrom(
	cases: Cases,
	width: number,
	{ facts: found, computed }: ReportedElement
): ElementValues {
	const facts = factsIn(cases, width, found);
	return {
		noEffect: (longhand) =>
			facts?.specified(longhand) === undefined ? undefined : noEffectOf(longhand, facts),
		computed: (longhand) => computed.get(longhand) ?? ''
	};
}

/** Asks a frame that shows a page at a width about an element; undefined where the frame is gone. */
export async function valuesIn(
	{ page, layout, paths: [path], lead }: ValuesRequest,
	frame: string,
	width: number
): Promise<ElementValues | undefined> {
	if (!path) return undefined;
	const cases = casesOf(page, layout, lead);
	try {
		const [facts, [computed]] = await Promise.all([
			layout.facts(frame, [path], 1, FACT_LONGHANDS),
			layout.computed(frame, [path])
		]);
		return computed && valuesFrom(cases, width, { facts, computed });
	} catch {
		// Frames come and go with the columns.
		return undefined;
	}
}
