import type { Alignment, Original } from '$lib/core/original/index.ts';
import { resolveAddress } from '$lib/core/site/index.ts';
import { picked } from '$lib/session/selection.svelte.ts';
import type { ScreenTalk } from '$lib/session/stageKeeper.ts';
import type { Workbench } from '$lib/session/workbench.ts';

/** The receivers of a stage's messages, looked up when a message comes. */
interface Hearers {
	readonly workbench: () => Workbench;
	/** The Original at the lead's width. */
	readonly original: () => Original | undefined;
	readonly onalign: (alignment: Alignment) => void;
	/** Moves the visible part of the cut lead, CSS px of its viewport. */
	readonly onpan: (by: number) => void;
}

/** Handlers for a stage's messages about the frames. */
export const stageTalk = ({ workbench, original, onalign, onpan }: Hearers): ScreenTalk => ({
	press: (press) => workbench().press(press),
	/** Opens the page that a followed link leads to, where the site has it. */
	open(href) {
		const { page, site, open } = workbench();
		const target = resolveAddress(href, page.path);
		if (target.kind === 'site' && site.texts.get(target.path)?.kind === 'page') open(target.path);
	},
	pick(pick) {
		const { select, selected, site } = workbench();
		const { selectionView } = site;
		// With Shift a further word of the same element is selected as well.
		if (!pick.shift || pick.word) selectionView.chooseWords(pick);
		if (pick.word) return select([pick.path]);
		const next = picked(selected, selectionView.left, pick);
		selectionView.left = next[0] ?? null;
		select(next);
	},
	pan(frame, by) {
		if (frame === 'lead') onpan(by);
	},
	point(point) {
		const alignment = workbench().site.originals.take(point, original());
		if (alignment) onalign(alignment);
	}
});
