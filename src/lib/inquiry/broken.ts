import type { Change } from '../core/curve/index.ts';
import { pathsOf } from '../core/findings/index.ts';
import { readPath, type ElementPath } from '../core/html/index.ts';
import { elementOf, rebroken, type Rebroken, type Snapshot } from '../core/snapshot/index.ts';
import type { PageContent, Viewport } from '../stage/protocol.ts';
import { edgesOf } from './follow.ts';
import type { MeasuringLayout } from './layout.ts';

/** What takes more or fewer lines or rows. */
export type BrokenAt = Omit<Rebroken, 'element'> & { readonly path: ElementPath };

/** At most so many are named. */
const MOST = 3;

const isInside = (path: ElementPath, outer: ElementPath): boolean =>
	outer.every((index, i) => path[i] === index);

/**
 * What takes more or fewer lines or rows at a change: inside the element, otherwise around it, otherwise elsewhere.
 */
export async function brokenAt(
	layout: MeasuringLayout,
	content: PageContent,
	viewport: Viewport,
	path: ElementPath,
	change: Change,
	signal: AbortSignal
): Promise<BrokenAt[]> {
	const seen = new Map<number, Snapshot>();
	const [before, after] = edgesOf(change);
	const job = { content, viewport, widths: [before, after], priority: 1, signal };
	for await (const one of layout.measure(job)) seen.set(one.width, one.snapshot);
	const [a, b] = [seen.get(before), seen.get(after)];
	if (!a || !b || elementOf(a, path) < 0) return [];
	const paths = pathsOf(a);
	const all = rebroken(a, b).map(({ element, ...of }) => ({ ...of, path: readPath(paths[element] ?? '') }));
	const inside = all.filter((one) => isInside(one.path, path));
	const around = all.filter((one) => isInside(path, one.path));
	const nearest = [inside, around, all].find(({ length }) => length > 0) ?? [];
	return nearest.slice(0, MOST);
}
