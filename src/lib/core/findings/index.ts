import type { Snapshot } from '../snapshot/index.ts';
import { column } from './column.ts';
import { cropped } from './cropped.ts';
import { covered } from './covered.ts';
import { cut } from './cut.ts';
import { edge } from './edge.ts';
import type { Kind } from './kind.ts';
import { outside } from './outside.ts';
import { overlap } from './overlap.ts';
import { row } from './row.ts';
import { sideways } from './sideways.ts';
import { stretched } from './stretched.ts';
import { word } from './word.ts';

export { isPage } from './geometry.ts';
export { neither, neitherHolds, type Neither } from './neither.ts';
export { LEAST, SEVERITIES, type Kind, type Severity, type Turn } from './kind.ts';

/** Every kind of finding that a single snapshot reveals, the most severe first. */
export const KINDS: readonly Kind[] = [
	sideways,
	cut,
	covered,
	overlap,
	word,
	edge,
	outside,
	stretched,
	column,
	cropped,
	row
];

/** The path of every element as in addresses: its indexes separated by full stops; '' for the root. */
export function pathsOf({ count, parent }: Pick<Snapshot, 'count' | 'parent'>): string[] {
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

/** What identifies a finding at every width: its kind and the paths of its elements. */
export const findingKey = (kind: string, ...paths: readonly string[]): string => [kind, ...paths].join(' ');

/** The parts of a finding's key. */
export function findingOf(
	key: string
): { readonly kind: Kind; readonly paths: readonly string[] } | undefined {
	const [name, ...paths] = key.split(' ');
	const kind = KINDS.find((one) => one.name === name);
	return kind && { kind, paths };
}

/** Everything that the kinds read in a snapshot, by key (`core/sweep`). */
export function readingsOf(snapshot: Snapshot, kinds: readonly Kind[] = KINDS): Map<string, number | string> {
	const paths = pathsOf(snapshot);
	const found = new Map<string, number | string>();
	for (const { name, read } of kinds) {
		for (const { element, other, value } of read(snapshot)) {
			const of = [element, ...(other === undefined ? [] : [other])].map((i) => paths[i] ?? '');
			found.set(findingKey(name, ...of), value);
		}
	}
	return found;
}
