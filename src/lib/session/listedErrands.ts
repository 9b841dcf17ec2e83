import { changedErrands, errandOffset, type Errand, type ErrandChange } from '../core/errand/index.ts';
import { parsePage } from '../core/html/index.ts';
import type { FilePlace, Result } from '../core/text/index.ts';
import type { KeptLists } from './keptLists.ts';
import { notify } from './notices.svelte.ts';

/** What of a site errands concern. */
interface SiteWithErrands {
	readonly kept: KeptLists;
	readonly texts: ReadonlyMap<string, { readonly text: string }>;
	/** The present path of the file that had a path. */
	readonly pathNow: (path: string) => string;
}

/** Changes the list of errands; `stored` receives the changes once they are stored. */
export function keepErrands(
	{ kept: { errand }, pathNow }: Pick<SiteWithErrands, 'kept' | 'pathNow'>,
	name: string,
	changesOf: (list: readonly Errand[]) => readonly ErrandChange[],
	stored: (changes: readonly ErrandChange[]) => void = () => undefined
): Promise<Result> {
	let changes: readonly ErrandChange[] = [];
	return errand.keep(
		(list) => changedErrands(list, (changes = changesOf(list)), pathNow) ?? list,
		name,
		() => stored(changes)
	);
}

/**
 * Makes changes of the list of errands that the history undoes or redoes. Returns the places in the pages that they
 * concern; undefined where the list has changed in another way, and is left unchanged.
 */
export function listErrands(
	site: SiteWithErrands,
	changes: readonly ErrandChange[]
): FilePlace[] | undefined {
	const { kept, texts, pathNow } = site;
	if (!changedErrands(kept.errand.coming, changes, pathNow)) return undefined;
	void keepErrands(site, 'errands', () => changes).then((result) => {
		if (!result.ok) notify(result.sentence, true);
	});
	return changes.flatMap(({ was, now }) => {
		const one = now ?? was;
		const path = one && pathNow(one.page);
		const text = path && texts.get(path)?.text;
		const offset = text && errandOffset(parsePage(text), one);
		return path && typeof offset === 'number' ? [{ path, offset, aside: true }] : [];
	});
}
