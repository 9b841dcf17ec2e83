import { verdictOf } from '../core/cascade/index.ts';
import { elementAt, type ElementPath } from '../core/html/index.ts';
import {
	complement,
	fromInterval,
	inside,
	intersection,
	isEmpty,
	NOTHING,
	toNumber,
	union,
	type IntervalSet
} from '../core/interval/index.ts';
import type { Bands } from '../core/media/index.ts';
import { alikeTo } from '../core/presence/index.ts';
import type { Vantage } from '../core/vantage/index.ts';
import { casesOf } from './cases.ts';
import type { InquiredPage } from './page.ts';
import type { Layout } from './layout.ts';

/** An element with the same content as another, with the widths at which it is shown and the other is not. */
export interface Instead {
	readonly path: ElementPath;
	readonly widths: IntervalSet;
}

/** The cascade is asked about so many such elements at most. */
const MOST = 4;

/**
 * The elements of a page with the same content as an element that are shown where it is not: judged by the `display`
 * that the page's sheets give them and their ancestors, band by band.
 */
export async function insteadOf(
	page: InquiredPage,
	layout: Layout,
	path: ElementPath,
	vantage: Vantage,
	{ bands }: Bands
): Promise<Instead[]> {
	const element = elementAt(page.page, path);
	const others = element ? alikeTo(page.page, element).slice(0, MOST) : [];
	if (others.length === 0) return [];
	const cases = casesOf(page, layout, vantage);
	const shown = async (one: ElementPath): Promise<IntervalSet> => {
		const answers = await layout.cascade('lead', one, '');
		const up = answers.map((answer, n) => cases.of(one.slice(0, one.length - n), answer));
		const isGone = (width: number): boolean =>
			up.some((of) => verdictOf('display', of(width)).winner?.value === 'none');
		return bands
			.filter(({ interval }) => !isGone(toNumber(inside(interval))))
			.reduce((sum, { interval }) => union(sum, fromInterval(interval)), NOTHING);
	};
	const hidden = complement(await shown(path));
	const found: Instead[] = [];
	for (const { path: other } of others) {
		const widths = intersection(hidden, await shown(other));
		if (!isEmpty(widths)) found.push({ path: other, widths });
	}
	return found;
}
