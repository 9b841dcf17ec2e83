import { isWithin, type ElementPath } from '../core/html/index.ts';
import type { SelectedIn } from '../stage/protocol.ts';

/** A click on an element of a page, with the keys that were held. */
export interface Pick {
	readonly path: ElementPath;
	readonly shift: boolean;
	/** Whether it is to be added to what is selected, or taken from it. */
	readonly add: boolean;
	/** Whether it was at the place of the click before, and soon after it. */
	readonly again: boolean;
	/** The word that was clicked on twice. */
	readonly word?: TextStretch | undefined;
}

/** A stretch of an element's text, in UTF-16 units of its `textContent`. */
export interface TextStretch {
	readonly start: number;
	readonly end: number;
}

const same = (a: ElementPath, b: ElementPath): boolean => a.join() === b.join();

/**
 * What a click leaves selected: what is under the pointer. Clicks at the same place, one after the other, go one up from
 * what the last of them left, with Shift one down again.
 */
export function picked(
	selected: readonly ElementPath[],
	left: ElementPath | null,
	{ path, shift, add, again }: Omit<Pick, 'word'>
): readonly ElementPath[] {
	if (add) {
		const without = selected.filter((one) => !same(one, path));
		return without.length < selected.length ? without : [...selected, path];
	}
	const [one] = selected;
	const isNext = again && one && selected.length === 1 && left && same(left, one) && isWithin(path, one);
	if (!isNext) return [path];
	return [shift ? path.slice(0, one.length + 1) : one.slice(0, Math.max(0, one.length - 1))];
}

/** What stages tell of the selection, and how it is looked at. */
export class SelectionView {
	/** The boxes of what is selected, in each frame. */
	boxes = $state.raw<readonly SelectedIn[]>([]);
	/** Whether distances to what is around are shown. */
	distances = $state(false);
	/** An element to be brought into sight; a new path for each time it is asked for. */
	reveal = $state.raw<ElementPath | null>(null);
	/** The words that were chosen in a frame, in which element. */
	words = $state.raw<(TextStretch & { readonly path: ElementPath }) | null>(null);
	/** What the last click left selected, where that is one. */
	left: ElementPath | null = null;

	/** Chooses words after one was clicked on twice: with Shift all from those before to it. */
	chooseWords({ path, shift, word }: Pick): void {
		if (!word) {
			this.words = null;
			return;
		}
		const from = shift && this.words && same(this.words.path, path) ? this.words : word;
		this.words = {
			path,
			start: Math.min(from.start, word.start),
			end: Math.max(from.end, word.end)
		};
	}
}
