import { FACT_LONGHANDS, noEffectOf, type NoEffect } from '../core/effect/index.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import { casesOf, type Cases } from './cases.ts';
import { factsIn } from './idle.ts';
import type { InquiredPage } from './page.ts';
import type { Layout, ReportedElement } from './layout.ts';

/** What a live frame reports about the values of an element. */
export interface ElementValues {
	/** Why a longhand has no effect; undefined where it may have one, or is not set. */
	noEffect(longhand: string): NoEffect | undefined;
	/** The computed value of a longhand; '' where it has none. */
	computed(longhand: string): string;
}

interface ValuesRequest {
	readonly page: InquiredPage;
	readonly layout: Layout;
	readonly paths: readonly ElementPath[];
	readonly lead: SeenVantage;
}

/** What is known about an element at a width, from the cases at the time of asking. */
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

/** Asks a frame that shows a page at a width about an element; undefined where the frame has gone. */
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
