import type { KeyMap } from '$lib/session/keys.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';

/** What the keys of every screen open. */
interface Opening {
	readonly dialog: (which: 'find' | 'keys') => void;
	readonly pages: () => void;
	readonly muted: () => void;
}

/** The keys that every screen of a site has. */
export const siteKeys = (site: SiteState, { dialog, pages, muted }: Opening): KeyMap => ({
	save: { name: 'Save all', run: () => void site.saving.all() },
	undo: { name: 'Undo the last step, in whichever file', run: () => site.history.undo() },
	redo: { name: 'Redo the step that was undone', run: () => site.history.redo() },
	'/': { name: 'Find anything', run: () => dialog('find') },
	j: {
		name: 'Back: selection, page or screen before',
		withShift: 'Choose the page',
		run: ({ shift }) => (shift ? pages() : history.back())
	},
	k: {
		name: 'Forward again',
		withShift: 'List what is muted',
		run: ({ shift }) => (shift ? muted() : history.forward())
	},
	'?': { name: 'All keys', run: () => dialog('keys') }
});
