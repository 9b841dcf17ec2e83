import type { StagedChange } from '../protocol.ts';

/** Makes the changes of staged states on a page; a selector that cannot be read hits nothing. */
export function stage(document: Document, changes: readonly StagedChange[]): void {
	for (const change of changes) {
		let elements: readonly Element[];
		try {
			elements = [...document.querySelectorAll(change.selector)];
		} catch {
			continue;
		}
		for (const element of elements) {
			if (change.kind === 'add-class') element.classList.add(change.name);
			else if (change.kind === 'remove-class') element.classList.remove(change.name);
			else if (change.kind === 'set') element.setAttribute(change.name, change.value);
			else element.removeAttribute(change.name);
		}
	}
}
