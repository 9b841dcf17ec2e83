import { readingsOf } from '../findings/index.ts';
import type { Snapshot } from '../snapshot/index.ts';
import type { Shift } from '../sweep/index.ts';

/** What an edit did to a finding. */
export type Turned = 'made' | 'mended';

/**
 * Findings that are there on one side of an edit alone, at one width: by what the edit did and the finding's own key, how
 * far it is beyond its limit. What is about changes from width to width is left out.
 */
export function findingsBetween(before: Snapshot, after: Snapshot, shift: Shift): Map<string, number> {
	const there = (snapshot: Snapshot): Map<string, number> =>
		new Map(
			[...readingsOf(snapshot)].flatMap(([key, value]) => {
				const by = typeof value === 'number' ? value + (shift(key) ?? -Infinity) : 0;
				return by > 0 ? [[key, by] as const] : [];
			})
		);
	const [was, is] = [there(before), there(after)];
	const alone = (turned: Turned, here: Map<string, number>, other: Map<string, number>) =>
		[...here].flatMap(([key, by]) => (other.has(key) ? [] : [[`${turned} ${key}`, by] as const]));
	return new Map([...alone('made', is, was), ...alone('mended', was, is)]);
}

/** What an edit did to a finding, and which it is, by the key of a change; undefined for any other change. */
export function turnedOf(key: string): { readonly turned: Turned; readonly key: string } | undefined {
	const [, turned, of = ''] = /^(made|mended) (.*)$/.exec(key) ?? [];
	return turned ? { turned: turned as Turned, key: of } : undefined;
}
