import type { Candidate } from '$lib/core/cascade/index.ts';
import { nameAt, type ElementPath } from '$lib/core/html/index.ts';
import type { Declared } from '$lib/core/scale/index.ts';
import type { InquiredPage } from '$lib/inquiry/page.ts';
import type { ReadSizes, ReadText } from '$lib/inquiry/sizes.ts';
import { curveKey } from '$lib/inquiry/textStyles.ts';

/** A declaration elsewhere that overrides sizes of the scale. */
export interface Winner {
	readonly from: Candidate;
	readonly file: string;
	/** Offset in the file without the edit being tried. */
	readonly offset: number;
	/** The number of elements concerned, and the name of the first. */
	readonly count: number;
	readonly name: string;
}

/** Whether a declaration is in a rule with exactly this selector. */
const isOf = (from: Candidate | undefined, selector: string): boolean =>
	from?.hit?.selector.replace(/\s+/g, ' ').trim() === selector;

/** Declarations elsewhere that beat some that are being tried. */
export function winnersOver(read: ReadSizes, page: InquiredPage, tried: readonly Declared[]): Winner[] {
	const found = new Map<string, Winner>();
	for (const { selector, property } of tried) {
		for (const index of read.hits.get(selector) ?? []) {
			for (const { from, up } of read.sizing.length(index, property).sources) {
				if (!from || up > 0 || isOf(from, selector)) continue;
				const offset = page.inFile(from.file, from.span.start);
				const key = `${from.file}:${offset}`;
				const known = found.get(key);
				const name = nameAt(page.page, read.paths[index] ?? [], '');
				found.set(key, {
					from: { ...from, span: { start: offset, end: offset + from.span.end - from.span.start } },
					file: from.file,
					offset,
					count: (known?.count ?? 0) + 1,
					name: known?.name ?? name
				});
			}
		}
	}
	return [...found.values()];
}

/**
 * The first element whose text size the rules with a selector decide at every width; undefined where there is none.
 */
export function decidedBy(selector: string, read: ReadSizes): ElementPath | undefined {
	const index = (read.hits.get(selector) ?? []).find((one) =>
		read.sizing.size(one).sources.every(({ from, up }) => up === 0 && isOf(from, selector))
	);
	return index === undefined ? undefined : read.paths[index];
}

/** The texts whose size differs from before. */
export function resized(before: ReadSizes, now: ReadSizes): ElementPath[] {
	const keyOf = ({ size }: ReadText): string => (size.curve ? curveKey(size.curve) : '');
	const was = new Map(before.texts.map((text) => [text.path.join('.'), keyOf(text)]));
	return now.texts.flatMap((text) =>
		(was.get(text.path.join('.')) ?? '') === keyOf(text) ? [] : [text.path]
	);
}
