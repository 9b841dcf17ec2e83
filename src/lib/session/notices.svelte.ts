/** Sentences for the person that belong to no place of the screen, each said until it was read. */
export const notices = $state<{ list: readonly string[] }>({ list: [] });
const shown = new Set<string>();

/** Says a sentence; one that was said already is not said again, unless it may be. */
export function notify(sentence: string, again = false): void {
	if ((shown.has(sentence) && !again) || notices.list.includes(sentence)) return;
	shown.add(sentence);
	notices.list = [...notices.list, sentence];
}

/** The first sentence was read. */
export const dismiss = (): void => void (notices.list = notices.list.slice(1));
