import { hits } from '../../probe/match.ts';

/** Pages of a site that are in no frame: parsed as they are, without scripts, pictures or layout. */
export function otherPages() {
	const texts = new Map<string, string>();
	const parsed = new Map<string, Document>();

	function documentOf(path: string, text: string): Document {
		let document = parsed.get(path);
		if (!document) parsed.set(path, (document = new DOMParser().parseFromString(text, 'text/html')));
		return document;
	}

	return {
		/** Takes in texts of pages; null for one that is gone. */
		know(changed: ReadonlyMap<string, string | null>): void {
			for (const [path, text] of changed) {
				parsed.delete(path);
				if (text === null) texts.delete(path);
				else texts.set(path, text);
			}
		},
		/** How many elements of each of the pages each selector hits; null for what is no selector. */
		reach: (paths: readonly string[], selectors: readonly string[]): (number | null)[][] =>
			paths.map((path) => hits(documentOf(path, texts.get(path) ?? ''), selectors))
	};
}
