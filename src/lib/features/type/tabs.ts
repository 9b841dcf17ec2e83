import type { Typesetting } from './typesetting.svelte.ts';

export type Tab = 'lines' | 'set' | 'checks' | 'texts';

/** The tabs of the Type screen for what is being set; `bad` is the number of sizes with remarks. */
export function tabsOf(setting: Typesetting, bad: number) {
	const count = (number: number): string => (number > 0 ? String(number) : '');
	const places = setting.lines.reduce((sum, { hunks }) => sum + hunks.length, 0);
	const set = {
		sizes: [],
		scale: [{ id: 'set', name: 'Steps', title: 'Steps, names, what is written', mark: '' }],
		length: [{ id: 'set', name: 'Three numbers', title: 'Smallest, middle, largest', mark: '' }]
	}[setting.work];
	return [
		{
			id: 'texts',
			name: 'Sizes',
			title: 'The sizes that this page’s texts have',
			mark: count(setting.reading.styles.length)
		},
		...set,
		{
			id: 'lines',
			name: 'Lines',
			title: 'The lines that would change',
			mark: setting.edit ? String(places) : ''
		},
		{ id: 'checks', name: 'Checks', title: 'Zoom, hierarchy, lines, notes', mark: count(bad) }
	];
}
