import { followPath, nameAt, readPath, type Page } from '../core/html/index.ts';
import { isEmpty, type IntervalSet } from '../core/interval/index.ts';
import { foundIn } from '../core/sweep/index.ts';
import type { KindSetting } from '../core/findings/settings.ts';
import {
	changedElements,
	outermost,
	turnedOf,
	type Changed,
	type EditOnPage,
	type Followed,
	type Turned
} from '../core/wake/index.ts';
import { tellFinding } from '../inquiry/findings.ts';
import type { Compares } from '../inquiry/wake.ts';

/** The progress of comparing a page before and after an edit. */
export interface Comparison extends Pick<Compares, 'measured' | 'whole'> {
	readonly changed: readonly Changed[];
	/** The outermost elements changed by a rule of their own. */
	readonly outermost: readonly NamedElement[];
	/** Findings on one side of it alone. */
	readonly findings: readonly TurnedFinding[];
	/** Whether every end is exact. */
	readonly exact: boolean;
}

/** A finding that an edit caused or fixed, in words, and its widths. */
export interface TurnedFinding {
	readonly turned: Turned;
	readonly sentence: string;
	readonly widths: IntervalSet;
}

/** One of the outermost of some elements, by name, and the number of the others inside it. */
export interface NamedElement {
	readonly path: string;
	readonly inside: number;
	readonly name: string;
}

/** The progress of a comparison, with the names of its elements: those of the page before where they are gone. */
export async function* comparisonOf(
	was: Page,
	is: Page,
	edit: EditOnPage,
	settings: readonly KindSetting[],
	telling: AsyncIterable<Compares>
): AsyncGenerator<Comparison> {
	for await (const { known, measured, whole } of telling) {
		const found = foundIn(known, edit.cuts);
		const findings = found.flatMap((one): TurnedFinding[] => {
			const { turned, key } = turnedOf(one.key) ?? {};
			if (!turned || key === undefined) return [];
			const told = tellFinding(turned === 'made' ? is : was, { ...one, key }, settings);
			return told ? [{ turned, sentence: told.sentence, widths: one.widths }] : [];
		});
		const changed = changedElements(found.filter(({ key }) => !turnedOf(key)));
		const own = changed.filter((one) => !isEmpty(one.own)).map(({ path }) => path);
		const named = outermost(own).map((one) => {
			const at = readPath(one.path);
			return { ...one, name: nameAt(is, at, nameAt(was, at, 'something')) };
		});
		yield { findings, changed, outermost: named, exact: found.every(({ exact }) => exact), measured, whole };
	}
}

/** Where elements of a page are after its text has changed, by their paths as in findings. */
export function placesAfter(before: Page, after: Page): Followed {
	if (before === after || before.source === after.source) return (path) => path;
	const known = new Map<string, string | null>();
	return (path) => {
		const found = known.has(path)
			? (known.get(path) ?? null)
			: (followPath(before, after, readPath(path))?.join('.') ?? null);
		known.set(path, found);
		return found;
	};
}
