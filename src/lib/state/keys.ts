/** A key as pressed, in the application or in a frame. */
export interface Press {
	readonly key: string;
	readonly shift: boolean;
	readonly ctrl: boolean;
	readonly alt: boolean;
	readonly meta: boolean;
	/** True where the key goes into a field. */
	readonly typing: boolean;
}

/** Actions by key, in lower case. A single character never fires while typing; `save` is Ctrl or Cmd with S, anywhere. */
export type KeyMap = Readonly<Record<string, (press: Press) => void>>;

const isField = (target: EventTarget | null): boolean =>
	target instanceof HTMLElement && (target.isContentEditable || target.matches('input, textarea, select'));

export const pressOf = (event: KeyboardEvent): Press => ({
	key: event.key,
	shift: event.shiftKey,
	ctrl: event.ctrlKey,
	alt: event.altKey,
	meta: event.metaKey,
	typing: isField(event.target)
});

/** Performs the action of a key; false where it has none here. */
export function perform(keys: KeyMap, press: Press): boolean {
	const letter = press.key.toLowerCase();
	const command = press.ctrl || press.meta;
	const action = command ? (letter === 's' && !press.alt ? keys.save : undefined) : keys[letter];
	if (!action || (!command && (press.typing || press.alt))) return false;
	action(press);
	return true;
}
