import { figure } from '../box/index.ts';
import type { Kind } from './kind.ts';
import { hidesBeyond, pagesOf, reaching } from './reach.ts';
import { windowWidth } from './geometry.ts';

/** Engines scroll by whole px, rounded half up: smaller overflows do not scroll. */
const SCROLLED = 0.49;

/**
 * The page scrolls sideways, as the engine reports at that width; named is what reaches beyond the edge at which the
 * page's lines end. Where nothing visible causes the scrolling, the body is named.
 */
export const sideways: Kind = {
	name: 'sideways',
	title: 'the page scrolls sideways',
	severity: 'grave',
	limit: { value: SCROLLED, unit: 'px' },
	sentence: ({ name, by }) => `The page scrolls sideways: ${name} reaches ${figure(by)} px beyond its edge.`,
	standard: 'WCAG 2.2 §1.4.10',
	overflows: true,
	remedies: [
		{ property: 'box-sizing', value: 'border-box' },
		{ property: 'max-width', value: '100%' },
		{ property: 'overflow-wrap', value: 'anywhere' }
	],
	read: (snapshot) => {
		if (hidesBeyond(snapshot)) return [];
		const { pageWidth, insides, width } = snapshot;
		const all = reaching(snapshot);
		const edge = windowWidth(snapshot);
		const scrolled = pageWidth - (insides[2] || width);
		// Between whole px the engine reports whole px only; the frame is zoomed there, and scrolls by fractions of them.
		const isScrolled = scrolled >= 1 || (!Number.isInteger(edge) && all.some(({ by }) => by > SCROLLED / 2));
		const limit = Number.isInteger(edge) ? SCROLLED : SCROLLED / 2;
		const found = all.map(({ element, by }) => ({
			element,
			value: isScrolled ? by - limit : Math.min(by - limit, -2 * SCROLLED)
		}));
		return scrolled >= 1 && !found.some(({ value }) => value > 0)
			? [...found, { element: pagesOf(snapshot).at(-1) ?? 0, value: pageWidth - edge - SCROLLED }]
			: found;
	}
};
