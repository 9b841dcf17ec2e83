import type { BenchState } from './bench.svelte.ts';

/** The files that the sheet can show, in order, and which of them the page uses. */
export function filesOf(bench: BenchState) {
	const paths = $derived.by(() => {
		const { page, site } = bench;
		const used = page.conditions.places.map(({ file }) => file);
		const strongestFirst = used.toReversed().filter((path) => path !== page.path);
		const sheets = [...site.texts.values()].filter(({ kind }) => kind === 'sheet').map(({ path }) => path);
		return [...new Set([...strongestFirst, page.path, ...sheets])].filter((path) => site.texts.has(path));
	});
	return {
		/** The page's sheets, the strongest first, then the page, then sheets that it does not use. */
		get paths(): readonly string[] {
			return paths;
		},
		isOnPage: (path: string): boolean => bench.page.has(path)
	};
}
