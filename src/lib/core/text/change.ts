/** A stretch of a text and what is put in its place. */
export interface Change {
	readonly start: number;
	readonly end: number;
	readonly text: string;
}

/** A text with changes made; of two that overlap the one that begins first is kept. */
export function applyChanges(source: string, changes: readonly Change[]): string {
	if (changes.length === 0) return source;
	let text = '';
	let at = 0;
	for (const change of [...changes].sort((a, b) => a.start - b.start || b.end - a.end)) {
		if (change.start < at) continue;
		text += source.slice(at, change.start) + change.text;
		at = change.end;
	}
	return text + source.slice(at);
}
