import { own } from '../../probe/own.ts';
import type { StagedChange } from '../../core/staged/index.ts';

/** Makes the changes of staged states on a page; an invalid selector matches nothing. */
export function stage(document: Document, changes: readonly StagedChange[]): void {
	for (const change of changes) {
		let elements: readonly Element[];
		try {
			elements = [...own(document).querySelectorAll(change.selector)];
		} catch {
			continue;
		}
		for (const element of elements) {
			if (change.kind === 'add-class') own(element).classList.add(change.name);
			else if (change.kind === 'remove-class') own(element).classList.remove(change.name);
			else if (change.kind === 'set') own(element).setAttribute(change.name, change.value);
			else own(element).removeAttribute(change.name);
		}
	}
}
