import { hits } from '../../probe/match.ts';

/** Pages of a site outside of frames: only parsed, without scripts, pictures or layout. */
export function otherPages() {
	const documents = new Map<string, Document>();
	return {
		/** Adds texts of pages. */
		know(changed: ReadonlyMap<string, string>): void {
			for (const [path, text] of changed) {
				documents.set(path, new DOMParser().parseFromString(text, 'text/html'));
			}
		},
		/** How many elements of each of the pages each selector matches; null for an invalid selector. */
		reach: (paths: readonly string[], selectors: readonly string[]): (number | null)[][] =>
			paths.map((path) => {
				const document = documents.get(path);
				return document ? hits(document, selectors) : [];
			})
	};
}
