import { readingsOf } from '../findings/index.ts';
import type { Snapshot } from '../snapshot/index.ts';
import type { Shift } from '../sweep/index.ts';

/** What an edit did to a finding. */
export type Turned = 'made' | 'mended';

/** Where an element at a path before an edit is after it, as in findings; null where it is gone. */
export type Followed = (path: string) => string | null;

/**
 * Findings on only one side of an edit, at one width: by what the edit did and the finding's own key, and how far it
 * is beyond its limit. Kinds about changes from width to width are left out. Former findings are looked for at the
 * present places of their elements; those that were fixed keep their former keys.
 */
export function findingsBetween(
	before: Snapshot,
	after: Snapshot,
	shift: Shift,
	followed: Followed = (path) => path
): Map<string, number> {
	const there = (snapshot: Snapshot): Map<string, number> =>
		new Map(
			[...readingsOf(snapshot)].flatMap(([key, value]) => {
				const by = typeof value === 'number' ? value + (shift(key) ?? -Infinity) : 0;
				return by > 0 ? [[key, by] as const] : [];
			})
		);
	/** The key of a finding after the edit; undefined where its elements are gone. */
	const keyNow = (key: string): string | undefined => {
		const [name = '', ...paths] = key.split(' ');
		const now = paths.map(followed);
		return now.includes(null) ? undefined : [name, ...now].join(' ');
	};
	const [was, is] = [there(before), there(after)];
	const stays = new Map([...was.keys()].map((key) => [key, keyNow(key)]));
	const kept = new Set(stays.values());
	const made = [...is].filter(([key]) => !kept.has(key)).map(([key, by]) => [`made ${key}`, by] as const);
	const mended = [...was]
		.filter(([key]) => !is.has(stays.get(key) ?? ''))
		.map(([key, by]) => [`mended ${key}`, by] as const);
	return new Map([...made, ...mended]);
}

/** What an edit did to a finding, and to which, by the key of a change; undefined for any other change. */
export function turnedOf(key: string): { readonly turned: Turned; readonly key: string } | undefined {
	const [, turned, of = ''] = /^(made|mended) (.*)$/.exec(key) ?? [];
	return turned ? { turned: turned as Turned, key: of } : undefined;
}
