import { isWithin, type ElementPath } from '../core/html/index.ts';
import type { SelectedIn } from '../stage/protocol.ts';

/** A click on an element of a page, with the keys held. */
export interface Pick {
	readonly path: ElementPath;
	readonly shift: boolean;
	/** Whether it is added to the selection, or removed from it. */
	readonly add: boolean;
	/** Whether it was at the same place as the previous click, and soon after it. */
	readonly again: boolean;
	/** The word that was double-clicked. */
	readonly word?: TextStretch | undefined;
}

/** A stretch of an element's text, in UTF-16 units of its `textContent`. */
export interface TextStretch {
	readonly start: number;
	readonly end: number;
}

const same = (a: ElementPath, b: ElementPath): boolean => a.join() === b.join();

/**
 * What a click selects: the element under the pointer. Further clicks at the same place select the parent of what the
 * last one selected, or with Shift the child again.
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

/** What stages report about the selection, and how it is shown. */
export class SelectionView {
	/** The boxes of what is selected, in each frame. */
	boxes = $state.raw<readonly SelectedIn[]>([]);
	/** Whether distances to neighbours and parent are shown. */
	distances = $state(false);
	/** The ids of the present frames, not reactive: they stay as they were scrolled when screens change. */
	frames: ReadonlySet<string> = new Set();
	/** An element to be brought into sight; a new path object for each request. */
	reveal = $state.raw<ElementPath | null>(null);
	/** The words selected in a frame, and their element. */
	words = $state.raw<(TextStretch & { readonly path: ElementPath }) | null>(null);
	/** The element selected by the last click, where there is one. */
	left: ElementPath | null = null;

	/** Selects words after a double click: with Shift everything from the previous ones to it. */
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
