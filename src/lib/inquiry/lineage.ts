import type { Case } from '../core/cascade/index.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { ElementAnswer } from '../stage/protocol.ts';
import { casesOf, type Cases } from './cases.ts';
import type { Flips } from './flips.ts';
import type { InquiredPage } from './page.ts';
import type { Layout } from './layout.ts';

/** An element of the lead and all its ancestors, for the cascade, in a vantage at any width. */
export interface Lineage extends Cases {
	/** What the lead's frame reports about each, itself first (a pseudo-element of it before that). */
	readonly answers: readonly ElementAnswer[];
	/** The cases of each at a width, CSS px. */
	at(width: number): readonly Case[];
	/** Whether a property computes to the same on the element so many generations up as on its parent. */
	sameAsParent(property: string, up: number): boolean;
	/** Whether a container condition matters to any of them. */
	readonly asks: boolean;
	/** The path of the element so many generations up; a pseudo-element counts as a child of its element. */
	path(up: number): ElementPath;
}

/**
 * Asks the lead's frame about an element and its ancestors; `flips` says what container queries return elsewhere.
 */
export async function lineageOf(
	page: InquiredPage,
	layout: Layout,
	path: ElementPath,
	vantage: SeenVantage,
	pseudo = '',
	flips?: Flips
): Promise<Lineage> {
	const pathUp = (up: number): ElementPath =>
		path.slice(0, path.length - (pseudo === '' ? up : Math.max(0, up - 1)));
	const cases = casesOf(page, layout, vantage);
	const answers = await layout.cascade('lead', path, pseudo);
	const elements = answers.map((answer, up) =>
		cases.of(
			pathUp(up),
			answer,
			// At the lead's own width the lead itself has answered.
			flips &&
				((width) =>
					width === vantage.width
						? answer.containers
						: (flips.at(width)[pseudo === '' ? up : Math.max(0, up - 1)] ?? [])),
			up === 0 ? pseudo : ''
		)
	);
	const at = (width: number): readonly Case[] => elements.map((of) => of(width));
	return {
		...cases,
		answers,
		at,
		asks: at(vantage.width).some(({ applying }) =>
			applying.some(({ declared }) => declared.conditions.some(({ kind }) => kind === 'container'))
		),
		sameAsParent: (property, up) =>
			property.startsWith('--') ||
			answers[up]?.computed.get(property) === answers[up + 1]?.computed.get(property),
		path: pathUp
	};
}
