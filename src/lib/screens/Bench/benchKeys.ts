import { tick } from 'svelte';
import type FramesTable from '$lib/features/frames/FramesTable.svelte';
import { lookingKeys } from '$lib/features/frames/lookingKeys.ts';
import type { KeyMap } from '$lib/session/keys.ts';
import type { BenchState } from './bench.svelte.ts';
import type SheetPanel from './SheetPanel.svelte';

/** The keys of the Bench, whose parts are looked up when a key is pressed. */
export function benchKeys(
	bench: BenchState,
	sheet: () => SheetPanel | undefined,
	frames: () => FramesTable | undefined
): KeyMap {
	/** Shows the sheet where it is hidden, and goes to it, or opens the places it can go to. */
	async function toSheet(menu: boolean): Promise<void> {
		if (bench.site.viewing.wide) bench.site.viewing.drawer = true;
		bench.site.viewing.tall = false;
		await tick();
		if (menu) sheet()?.openGo();
		else sheet()?.focus();
	}
	return {
		...lookingKeys(
			bench.site,
			() => bench.bands,
			() => bench.watching.stops,
			() => frames()?.toChorus(),
			(direction) => bench.framing.panOn(direction)
		),
		s: {
			name: 'Scroll in step, or not',
			withShift: 'Choose what to mute',
			run: ({ shift }) => (shift ? sheet()?.openMute() : (bench.view.inStep = !bench.view.inStep))
		},
		e: {
			name: 'To the sheet',
			withShift: 'Open the sheet’s Go menu',
			run: ({ shift }) => void toSheet(shift)
		},
		a: {
			name: 'Search all files',
			withShift: 'Arrange the rules at the caret: split, merge, move, name',
			run: ({ shift }) => (shift ? bench.arrange() : sheet()?.search())
		},
		g: {
			name: 'Fold what is not in force here',
			withShift: 'Unfold all',
			run: ({ shift }) => sheet()?.fold(!shift)
		},
		q: {
			name: 'Wrap the selected rules in a condition',
			withShift: 'Remove the condition around the caret',
			run: ({ shift }) => sheet()?.wrap(!shift)
		},
		'.': { name: 'Next element that the rule at the caret matches', run: () => sheet()?.step(1) },
		',': { name: 'Previous element that the rule at the caret matches', run: () => sheet()?.step(-1) },
		'-': {
			name: 'Panel at the full height, or back below the sheet',
			run: () => (bench.site.viewing.tall = !bench.site.viewing.tall)
		},
		m: {
			name: 'Mute what the caret is in, or unmute it',
			withShift: 'Unmute everything',
			run: ({ shift }) => sheet()?.mute(shift ? 'back' : 0)
		},
		y: {
			name: 'Switches for all frames',
			withShift: 'Curve: where a value of the selection changes',
			run: ({ shift }) => (shift ? bench.toPanel('curve') : frames()?.openSwitches())
		},
		z: {
			name: 'To the ladder: arrow keys go to parent, children and siblings',
			withShift: 'Outline of the page',
			run: ({ shift }) => (shift ? bench.toPanel('outline') : frames()?.toLadder())
		},
		i: {
			name: 'Box of the selection',
			withShift: 'Markup of the selection',
			run: ({ shift }) => bench.toPanel(shift ? 'markup' : 'box')
		},
		h: {
			name: 'Hold this band',
			withShift: 'Hold all but this band',
			run: ({ shift }) => void bench.watching.hold(shift)
		},
		c: {
			name: 'Collation at the whole width: a column and a frame a band; again: back',
			withShift: 'Collation under the sheet',
			run: ({ shift }) =>
				shift ? bench.toPanel('collation') : (bench.site.viewing.wide = !bench.site.viewing.wide)
		},
		t: {
			name: 'States pinned in the frames',
			withShift: 'Trace: where the values of the selection come from',
			run: ({ shift }) => bench.toPanel(shift ? 'trace' : 'states')
		},
		o: {
			name: 'Originals of the page',
			withShift: 'Findings: what is wrong, with its widths',
			run: ({ shift }) => bench.toPanel(shift ? 'findings' : 'original')
		},
		r: {
			name: 'To the rule of the selection; again to the next',
			withShift: 'Reach: selectors for the selection',
			run: ({ shift }) => (shift ? bench.toPanel('reach') : void bench.toRule())
		},
		...(bench.selected.length > 0 && !bench.site.viewing.use
			? { escape: { name: 'Clear the selection', run: () => bench.workbench.select([]) } }
			: {})
	};
}
