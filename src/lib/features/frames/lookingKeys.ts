import { jump, type Bands } from '$lib/core/media/index.ts';
import type { Action, KeyMap, Press } from '$lib/session/keys.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';

const step =
	({ carriage }: SiteState, by: number) =>
	(press: Press) => {
		carriage.width += press.shift ? 10 * by : by;
	};

/** An action that lasts as long as its key is held; started by a click, until the next click. */
function held(name: string, set: (on: boolean, shift: boolean) => void, withShift?: string): Action {
	let on = false;
	const put = (to: boolean, shift = false): void => {
		on = to;
		set(to, shift);
	};
	return {
		name,
		...(withShift ? { withShift } : {}),
		run: ({ key, shift }) => put(key === '' ? !on : true, shift),
		released: () => put(false)
	};
}

/** Makes the lead the next vantage in the list, and after the last the plain window. */
function next({ vantages, viewing }: SiteState, by: number): void {
	const choices = [null, ...vantages.list.map(({ fields }) => fields)];
	const at = choices.findIndex((one) => (one?.name ?? null) === viewing.lead);
	viewing.choose(choices.at((at + by) % choices.length) ?? null);
}

/** A digit for each of the first nine vantages, 0 for the plain window. */
const digits = ({ vantages, viewing }: SiteState): [string, Action][] => [
	...vantages.list
		.slice(0, 9)
		.map(({ fields }, i): [string, Action] => [
			String(i + 1),
			{ name: `Lead as ${fields.name}`, run: () => viewing.choose(fields) }
		]),
	['0', { name: 'Lead as a plain window', run: () => viewing.choose(null) }]
];

/** Without Shift these keys scroll the focused element; they act on a click in the list of keys. */
const isMeant = ({ key, shift }: Press): boolean => shift || key === '';

/** The keys of the Bench that move the carriage and change the lead. */
export const lookingKeys = (
	site: SiteState,
	bands: () => Bands,
	edges: () => readonly number[],
	toChorus: () => void,
	pan: (direction: 1 | -1) => void
): KeyMap => ({
	n: {
		name: 'Make the carriage 1 px narrower',
		withShift: 'Make the carriage 10 px narrower',
		run: step(site, -1)
	},
	w: { name: 'Make the carriage 1 px wider', withShift: 'Make the carriage 10 px wider', run: step(site, 1) },
	b: {
		name: 'Next breakpoint, or edge of the finding',
		withShift: 'Previous breakpoint, or edge of the finding',
		run: ({ shift }) => {
			const { carriage } = site;
			const { width } = carriage;
			const to = jump(bands().bands, width, shift ? -1 : 1, carriage.range);
			// The edges of the selected finding are stops too.
			const edge = shift ? edges().findLast((one) => one < width) : edges().find((one) => one > width);
			const nearer = edge !== undefined && (to === width || (shift ? edge > to : edge < to));
			carriage.width = nearer ? edge : to;
		}
	},
	v: {
		name: 'Lead as the next vantage',
		withShift: 'Lead as the previous vantage',
		run: ({ shift }) => next(site, shift ? -1 : 1)
	},
	...Object.fromEntries(digits(site)),
	f: {
		name: 'Show only the lead, at full size, or all frames',
		withShift: 'To the frames beside the lead: + and − draw them larger and smaller, arrow keys move them',
		run: ({ shift }) => (shift ? toChorus() : site.viewing.showAlone(!site.viewing.alone))
	},
	'=': {
		name: 'Show a tall lead cut off, or whole and smaller',
		run: () => site.viewing.showCut(!site.viewing.cut)
	},
	pagedown: {
		name: 'With Shift: pan down a lead that is cut off',
		run: (press) => isMeant(press) && pan(1)
	},
	pageup: {
		name: 'With Shift: pan up again',
		run: (press) => isMeant(press) && pan(-1)
	},
	x: { name: 'All switches off', run: () => site.viewing.allOff() },
	u: { name: 'Use the page; Escape ends it', run: () => (site.viewing.use = true) },
	// Elsewhere Escape closes dialogs and menus, which an action of the screen would prevent.
	...(site.viewing.use
		? { escape: { name: 'Stop using the page', inFields: true, run: () => (site.viewing.use = false) } }
		: {}),
	d: held('Distances around the selection, while held', (on) => (site.selectionView.distances = on)),
	l: held('Keylines, while held', (on) => (site.viewing.keylines = on)),
	p: held(
		'While held, show the page as last saved, or the chosen revision',
		(on, shift) => (site.viewing.before = on ? (shift ? 'edit' : 'saved') : null),
		'While held, show the page before the last edit'
	)
});
