import type { KeyMap } from '$lib/session/keys.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import type { Typesetting } from './typesetting.svelte.ts';
import type { Tab } from './tabs.ts';

/** Their task; on other screens these keys have others. */
const forSizes = (keys: KeyMap): KeyMap =>
	Object.fromEntries(Object.entries(keys).map(([key, action]) => [key, { ...action, task: 'Sizes' }]));

/** The keys of the Type screen, besides those that move the carriage and change the lead. */
export const typeKeys = (
	{ viewing }: SiteState,
	setting: Typesetting,
	toTab: (tab: Tab) => void,
	toLength: () => void,
	toPegs: () => void,
	write: () => void
): KeyMap =>
	forSizes({
		s: {
			name: 'A scale for all sizes',
			withShift: 'The sizes as they are',
			run: ({ shift }) => setting.choose(shift ? 'sizes' : 'scale')
		},
		o: { name: 'One length: the text size of what is selected', run: toLength },
		z: {
			name: 'Undo what was set',
			withShift: 'Set it again',
			run: ({ shift }) => (shift ? setting.redo() : setting.undo())
		},
		e: { name: 'To the first peg; Tab goes on', run: toPegs },
		q: { name: 'Write what is tried into the sheet', run: write },
		c: { name: 'Checks', withShift: 'Sizes', run: ({ shift }) => toTab(shift ? 'texts' : 'checks') },
		i: {
			name: 'Lines that would change',
			withShift: 'What is set',
			run: ({ shift }) => toTab(shift ? 'set' : 'lines')
		},
		...(setting.work !== 'sizes' && !viewing.use
			? { escape: { name: 'Discard the sizes being tried', run: () => setting.drop() } }
			: {})
	});
