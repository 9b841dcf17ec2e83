import { tick } from 'svelte';
import type FramesTable from '$lib/features/frames/FramesTable.svelte';
import { lookingKeys } from '$lib/features/frames/lookingKeys.ts';
import type { KeyMap } from '$lib/session/keys.ts';
import type { BenchState } from './bench.svelte.ts';
import type SheetPanel from './SheetPanel.svelte';

/** The keys of the Bench; its parts are asked for when a key is pressed. */
export function benchKeys(
	bench: BenchState,
	sheet: () => SheetPanel | undefined,
	frames: () => FramesTable | undefined
): KeyMap {
	/** Brings the sheet out where it is away, and goes to it, or opens what it can go to. */
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
			withShift: 'What can be muted: a letter chooses',
			run: ({ shift }) => (shift ? sheet()?.openMute() : (bench.view.inStep = !bench.view.inStep))
		},
		e: {
			name: 'To the sheet',
			withShift: 'What the sheet can go to and move: a letter chooses',
			run: ({ shift }) => void toSheet(shift)
		},
		a: {
			name: 'Search all files',
			withShift: 'Arrange the rules at the caret: part, join, move, name',
			run: ({ shift }) => (shift ? bench.arrange() : sheet()?.search())
		},
		g: {
			name: 'Fold what is not in force here',
			withShift: 'Unfold all',
			run: ({ shift }) => sheet()?.fold(!shift)
		},
		q: {
			name: 'Wrap the selected rules into a condition',
			withShift: 'Take the condition around the caret away',
			run: ({ shift }) => sheet()?.wrap(!shift)
		},
		'.': { name: 'Next element that the rule at the caret matches', run: () => sheet()?.step(1) },
		',': { name: 'Previous element that it matches', run: () => sheet()?.step(-1) },
		'-': {
			name: 'The panel takes the height of the sheet, or gives it back',
			run: () => (bench.site.viewing.tall = !bench.site.viewing.tall)
		},
		m: {
			name: 'Mute what the caret is in, in all frames, or bring it back',
			withShift: 'Bring everything muted back',
			run: ({ shift }) => sheet()?.mute(shift ? 'back' : 0)
		},
		y: {
			name: 'Switches for all frames',
			withShift: 'Curve: where a value of what is selected changes',
			run: ({ shift }) => (shift ? (bench.tab = 'curve') : frames()?.openSwitches())
		},
		z: {
			name: 'To the ladder: arrow keys go to what is around, in and beside the selection',
			withShift: 'Outline of the page',
			run: ({ shift }) => (shift ? (bench.tab = 'outline') : frames()?.toLadder())
		},
		i: {
			name: 'Box of what is selected',
			withShift: 'Markup of what is selected',
			run: ({ shift }) => (bench.tab = shift ? 'markup' : 'box')
		},
		h: {
			name: 'Hold this band as it is',
			withShift: 'Hold all but this band',
			run: ({ shift }) => void bench.watching.hold(shift)
		},
		c: {
			name: 'Collation at the whole width: a column and a frame a band; again: back',
			withShift: 'Collation under the sheet',
			run: ({ shift }) =>
				shift ? (bench.tab = 'collation') : (bench.site.viewing.wide = !bench.site.viewing.wide)
		},
		t: {
			name: 'States held in the frames',
			withShift: 'Trace: how the values of what is selected come about',
			run: ({ shift }) => (bench.tab = shift ? 'trace' : 'states')
		},
		o: {
			name: 'Originals of the page',
			withShift: 'Findings: what is wrong, with its widths',
			run: ({ shift }) => (bench.tab = shift ? 'findings' : 'original')
		},
		r: {
			name: 'To the rule of what is selected; again to the next',
			withShift: 'Reach: selectors for what is selected',
			run: ({ shift }) => (shift ? (bench.tab = 'reach') : void bench.toRule())
		},
		...(bench.selected.length > 0 && !bench.site.viewing.use
			? { escape: { name: 'Nothing selected', run: () => bench.workbench.select([]) } }
			: {})
	};
}
