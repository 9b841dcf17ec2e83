/** Messages that belong to no place of the screen, each shown until it was read. */
export const notices = $state<{ list: readonly string[] }>({ list: [] });
const shown = new Set<string>();

/** Shows a message; one that was shown before is not repeated, unless that is allowed. */
export function notify(sentence: string, again = false): void {
	if ((shown.has(sentence) && !again) || notices.list.includes(sentence)) return;
	shown.add(sentence);
	notices.list = [...notices.list, sentence];
}

/** Dismisses the first message. */
export const dismiss = (): void => void (notices.list = notices.list.slice(1));
