import { figure, partsOfSpace } from '../core/box/index.ts';
import { elementAt, nameOfElement, type ElementPath, type PageElement } from '../core/html/index.ts';
import type { SpaceFound } from '../stage/protocol.ts';
import type { InquiredPage } from './page.ts';

/** The question: an element's path, and the space at its sides in the lead. */
interface RelianceQuery {
	readonly page: InquiredPage;
	readonly spaces: (path: ElementPath) => Promise<readonly SpaceFound[]>;
}

/** Whether a property is about a side, or about all of them. */
const isAbout = (property: string, side: SpaceFound['side']): boolean =>
	property.endsWith(`-${side}`) || !/-(top|right|bottom|left)$/.test(property);

/** The sides that a gap affects. */
const gapSides = (property: string): RegExp =>
	property === 'row-gap' ? /bottom/ : property === 'column-gap' ? /right/ : /bottom|right/;

const off = (one: PageElement, by: string): string => `${nameOfElement(one)} stands ${by} by it`;

/**
 * What is kept apart by the space that a property of an element adds: its neighbours by its margin, its children by
 * its padding or gap. One sentence each; none for properties that add no space, or where nothing is kept apart.
 */
export async function relyingOn(
	{ page, spaces }: RelianceQuery,
	path: ElementPath,
	property: string
): Promise<string[]> {
	const element = elementAt(page.page, path);
	if (!element) return [];
	if (property.startsWith('margin')) {
		return (await spaces(path)).flatMap((one) => {
			const other = one.path && elementAt(page.page, one.path);
			const own = partsOfSpace(one).some(({ of }) => of !== 'gap' && of !== 'neighbour' && of !== 'rest');
			return other && own && isAbout(property, one.side)
				? [off(other, `${figure(one.length)} px off at the ${one.side}`)]
				: [];
		});
	}
	const { children } = element;
	if (/^((row|column)-)?gap$/.test(property)) {
		const sides = gapSides(property);
		const all = await Promise.all(children.map((child) => spaces(child.path)));
		const apart = all.flatMap((one) =>
			one.filter(({ side, gap, path: to }) => to && gap > 0 && sides.test(side))
		);
		const [first] = apart;
		const count = new Set(all.flatMap((one, i) => (one.some((space) => apart.includes(space)) ? [i] : [])))
			.size;
		return first ? [`${count + 1} elements in it stand ${figure(first.gap)} px apart by it`] : [];
	}
	if (!property.startsWith('padding')) return [];
	const all = await Promise.all(children.map(async (child) => ({ child, found: await spaces(child.path) })));
	const at = all.flatMap(({ child, found }) =>
		found.flatMap(({ side, padding, path: to }) =>
			to === null && padding > 0 && isAbout(property, side) ? [{ child, side, padding }] : []
		)
	);
	return (['top', 'right', 'bottom', 'left'] as const).flatMap((side) => {
		const one = at.find((found) => found.side === side);
		return one ? [off(one.child, `${figure(one.padding)} px off the edge at the ${side}`)] : [];
	});
}
