import { nameAt, readPath, type Page } from '../core/html/index.ts';
import { isEmpty } from '../core/interval/index.ts';
import { foundIn } from '../core/sweep/index.ts';
import { changedElements, outermost, type Changed, type EditOnPage } from '../core/wake/index.ts';
import type { Compares } from '../inquiry/wake.ts';

/** What a comparison of a page before and after an edit has come to. */
export interface Comparison extends Pick<Compares, 'measured' | 'whole'> {
	readonly changed: readonly Changed[];
	/** The outermost of what changed by a rule of its own. */
	readonly outermost: readonly NamedElement[];
	/** Whether every end is exact. */
	readonly exact: boolean;
}

/** One of the outermost of some elements, by name, and how many of the others are inside it. */
export interface NamedElement {
	readonly path: string;
	readonly inside: number;
	readonly name: string;
}

/** What a comparison has come to, with what its elements are called: by the page before where they are gone. */
export async function* comparisonOf(
	was: Page,
	is: Page,
	edit: EditOnPage,
	telling: AsyncIterable<Compares>
): AsyncGenerator<Comparison> {
	for await (const { known, measured, whole } of telling) {
		const found = foundIn(known, edit.cuts);
		const changed = changedElements(found);
		const own = changed.filter((one) => !isEmpty(one.own)).map(({ path }) => path);
		const named = outermost(own).map((one) => {
			const at = readPath(one.path);
			return { ...one, name: nameAt(is, at, nameAt(was, at, 'something')) };
		});
		yield { changed, outermost: named, exact: found.every(({ exact }) => exact), measured, whole };
	}
}
