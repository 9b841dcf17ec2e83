import type { Edit } from '../core/text/index.ts';
import type { FileText } from './texts.svelte.ts';

/** Applies an edit in all frames without making it; null ends the trial. */
export function tryEdit(texts: ReadonlyMap<string, FileText>, edit: Edit | null): void {
	for (const file of texts.values()) {
		const changes = edit?.files.find(({ path }) => path === file.path)?.changes ?? [];
		if (changes.length > 0 || file.trial.length > 0) file.trial = changes;
	}
}
