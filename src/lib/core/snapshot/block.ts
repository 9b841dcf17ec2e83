import { FLAG, type Snapshot } from './snapshot.ts';

/**
 * The box that contains the lines of an element's text: its own, or that of the first ancestor that is not inline.
 */
export function blockOf({ flags, parent }: Pick<Snapshot, 'flags' | 'parent'>, of: number): number {
	let at = of;
	while (at > 0 && ((flags[at] ?? 0) & FLAG.inline) !== 0) at = parent[at] ?? 0;
	return at;
}
