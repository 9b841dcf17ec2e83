import { store } from './store.ts';
/** A key as pressed, in the application or in a frame. */
export interface Press {
	readonly key: string;
	readonly shift: boolean;
	readonly ctrl: boolean;
	readonly alt: boolean;
	readonly meta: boolean;
	/** True where the key goes to a field. */
	readonly typing: boolean;
	/** True where it was released. */
	readonly up: boolean;
}

/** What a key does, and the name of that. */
export interface Action {
	readonly name: string;
	readonly run: (press: Press) => void;
	/** Whether a key that is not a single character also works in fields and dialogs. */
	readonly inFields?: boolean;
	/** What it does with Shift, where that differs. */
	readonly withShift?: string;
	/** Its task, where its key has another task elsewhere. */
	readonly task?: string;
	/** What releasing it does, where it acts while held. */
	readonly released?: () => void;
}

/**
 * Actions by key, in lower case. A single character never acts while typing; `save` is Ctrl or Cmd with S, anywhere;
 * `undo` is Ctrl or Cmd with Z and `redo` with Y or Shift Z, outside of fields, which have their own.
 */
export type KeyMap = Readonly<Record<string, Action>>;

/** Whether a key there does not belong to the screen: in a field, or in a dialog above it. */
const isField = (target: EventTarget | null): boolean =>
	target instanceof HTMLElement &&
	(target.isContentEditable || target.matches('input, textarea, select, dialog, dialog *'));

export const pressOf = (event: KeyboardEvent): Press => ({
	key: event.key,
	shift: event.shiftKey,
	ctrl: event.ctrlKey,
	alt: event.altKey,
	meta: event.metaKey,
	typing: isField(event.target),
	up: event.type === 'keyup'
});

const SINGLE = 'vantaggio-single-keys';

/** Whether single-character keys are active (WCAG 2.2, 2.1.4 requires that they can be switched off). */
export const singleKeys = {
	get on(): boolean {
		return store.get(SINGLE) !== 'no';
	},
	set on(to: boolean) {
		store.set(SINGLE, to ? 'yes' : 'no');
	}
};

/** A key as named for people. */
export const shownKey = (key: string): string =>
	({
		save: 'Ctrl S',
		undo: 'Ctrl Z',
		redo: 'Ctrl Shift Z',
		escape: 'Esc',
		pagedown: 'Page Down',
		pageup: 'Page Up'
	})[key] ?? key.toUpperCase();

/** The action of a key pressed with Ctrl or Cmd. */
function commandOf(keys: KeyMap, letter: string, { alt, shift, typing }: Press): Action | undefined {
	if (alt) return undefined;
	if (letter === 's') return keys.save;
	if (typing) return undefined;
	if (letter === 'z') return shift ? keys.redo : keys.undo;
	return letter === 'y' ? keys.redo : undefined;
}

/** Performs the action of a key; false where it has none here. */
export function perform(keys: KeyMap, press: Press): boolean {
	const letter = press.key.toLowerCase();
	if (press.up) {
		// Whatever other keys are down.
		keys[letter]?.released?.();
		return false;
	}
	const command = press.ctrl || press.meta;
	const action = command ? commandOf(keys, letter, press) : keys[letter];
	const single = !command && letter.length === 1;
	if (!action || (single && !singleKeys.on) || (!command && press.alt)) return false;
	if (press.typing && !command && (single || !action.inFields)) return false;
	action.run(press);
	return true;
}

/** Releases every key: a window that loses the focus does not hear of releases. */
export function releaseAll(keys: KeyMap): void {
	for (const { released } of Object.values(keys)) released?.();
}

const PLAIN_PRESS: Press = {
	key: '',
	shift: false,
	ctrl: false,
	alt: false,
	meta: false,
	typing: false,
	up: false
};

/** Performs an action as its key would, for a click. */
export const performAction = (action: Action, shift = false): void => action.run({ ...PLAIN_PRESS, shift });
