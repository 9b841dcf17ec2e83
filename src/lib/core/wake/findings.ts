import { readingsOf } from '../findings/index.ts';
import type { Snapshot } from '../snapshot/index.ts';
import type { Shift } from '../sweep/index.ts';

/** What an edit did to a finding. */
export type Turned = 'made' | 'mended';

/** Where an element that stood at a path before an edit stands after it, as findings name it; null where it is gone. */
export type Followed = (path: string) => string | null;

/**
 * Findings that are there on one side of an edit alone, at one width: by what the edit did and the finding's own key, how
 * far it is beyond its limit. What is about changes from width to width is left out. What was found before is looked for
 * where its elements stand now; the keys of what is mended are those that it had.
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
	/** The key that a finding has after the edit; undefined where what it is about is gone. */
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

/** What an edit did to a finding, and which it is, by the key of a change; undefined for any other change. */
export function turnedOf(key: string): { readonly turned: Turned; readonly key: string } | undefined {
	const [, turned, of = ''] = /^(made|mended) (.*)$/.exec(key) ?? [];
	return turned ? { turned: turned as Turned, key: of } : undefined;
}
