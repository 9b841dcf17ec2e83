import type { Action, KeyMap } from '$lib/session/keys.ts';

/** A key as listed: with or without Shift, and its action. */
export interface ListedKey {
	readonly key: string;
	readonly shift: boolean;
	readonly name: string;
	readonly action: Action;
}

/** Keys for one task, in order of importance. */
export interface KeyTask {
	readonly title: string;
	readonly keys: readonly ListedKey[];
}

/** Keys by task, with a `+` for Shift; the first are those to begin with. */
const TASKS: readonly (readonly [title: string, keys: string])[] = [
	['To begin with', '/ b n w v f c r e save undo ?'],
	['Widths and frames', '+b +n +w +v 0 1 2 3 4 5 6 7 8 9 = pagedown pageup +f s y x u escape'],
	['The selection', 'z +z d l i +i +t t . ,'],
	['Its values', '+c +r +y m +m p +p'],
	['The sheet', '+e a +a g +g q +q +s +k -'],
	['What is wrong, and what must stay', '+o o h +h'],
	['Files, pages and steps', 'redo +u j k +j']
];

/** All keys of a screen by task; keys without a task come last. */
export function keyTasks(keys: KeyMap): KeyTask[] {
	const all = new Map<string, ListedKey>(
		Object.entries(keys).flatMap(([key, action]): [string, ListedKey][] => [
			[key, { key, shift: false, name: action.name, action }],
			...(action.withShift
				? [[`+${key}`, { key, shift: true, name: action.withShift, action }] satisfies [string, ListedKey]]
				: [])
		])
	);
	/** A screen's keys for a task of its own. */
	const particular = [...new Set([...all.values()].flatMap(({ action }) => action.task ?? []))].map(
		(title): KeyTask => ({ title, keys: [...all.values()].filter(({ action }) => action.task === title) })
	);
	for (const { key, shift } of particular.flatMap((task) => task.keys)) all.delete(shift ? `+${key}` : key);
	const tasks = TASKS.map(([title, named]): KeyTask => {
		const own = named.split(' ').flatMap((name) => all.get(name) ?? []);
		for (const { key, shift } of own) all.delete(shift ? `+${key}` : key);
		return { title, keys: own };
	});
	const sorted = [...tasks.slice(0, 1), ...particular, ...tasks.slice(1)];
	return [...sorted, { title: 'Others', keys: [...all.values()] }].filter(({ keys: own }) => own.length > 0);
}
