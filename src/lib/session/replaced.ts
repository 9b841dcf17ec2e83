import type { ChangeSet, Text } from '@codemirror/state';
import type { Replacement } from '../core/history/index.ts';

/** The replacements in changes of a text, without those that change nothing. */
export function replacedBy(before: Text, changes: ChangeSet): Replacement[] {
	const all: Replacement[] = [];
	changes.iterChanges((start, end, _from, _to, inserted) => {
		const [was, text] = [before.sliceString(start, end), inserted.toString()];
		if (was !== text) all.push({ start, end, text, was });
	}, true);
	return all;
}
