import type { Snapshot } from '../snapshot/index.ts';
import { edge } from './edge.ts';
import type { Kind } from './kind.ts';
import { overlap } from './overlap.ts';
import { sideways } from './sideways.ts';
import { stretched } from './stretched.ts';

export type { Kind, Reading } from './kind.ts';

/** Every kind of finding that one snapshot tells. */
export const KINDS: readonly Kind[] = [sideways, edge, overlap, stretched];

/** The path of every element, its indexes with full stops between, as an address has it; '' for the root. */
export function pathsOf({ count, parent }: Snapshot): string[] {
	const children = new Int32Array(count);
	const paths: string[] = [];
	for (let i = 0; i < count; i++) {
		const at = parent[i] ?? -1;
		if (at < 0) {
			paths.push('');
			continue;
		}
		const index = children[at] ?? 0;
		children[at] = index + 1;
		paths.push(paths[at] === '' ? String(index) : `${paths[at]}.${index}`);
	}
	return paths;
}

/** What a finding is known by at every width: its kind and its elements, by their paths. */
export const findingKey = (kind: string, ...paths: readonly string[]): string => [kind, ...paths].join(' ');

/** What a finding's key says. */
export function findingOf(
	key: string
): { readonly kind: Kind; readonly paths: readonly string[] } | undefined {
	const [name, ...paths] = key.split(' ');
	const kind = KINDS.find((one) => one.name === name);
	return kind && { kind, paths };
}

/** The distances of everything that kinds read in a snapshot, by key (`core/sweep`). */
export function readingsOf(snapshot: Snapshot, kinds: readonly Kind[] = KINDS): Map<string, number> {
	const paths = pathsOf(snapshot);
	const found = new Map<string, number>();
	for (const { name, read } of kinds) {
		for (const { element, other, distance } of read(snapshot)) {
			const of = [element, ...(other === undefined ? [] : [other])].map((i) => paths[i] ?? '');
			found.set(findingKey(name, ...of), distance);
		}
	}
	return found;
}
