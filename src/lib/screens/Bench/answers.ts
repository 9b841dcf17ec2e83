import { attribute, classesOf, type ElementPath, type Page } from '$lib/core/html/index.ts';
import { contains, rationalFromNumber } from '$lib/core/interval/index.ts';
import { walk } from '$lib/core/css/index.ts';
import { wholeSelector, type Names } from '$lib/core/selector/index.ts';
import { textWithErrands } from '$lib/session/errands.ts';
import { definitionIn } from '$lib/editor/moves.ts';
import type { PageAnswers } from '$lib/session/answers.ts';
import { conditionsOfPage, sourcesOf } from '$lib/core/site/index.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import type { Stages } from '$lib/session/stages.svelte.ts';
import type { FilePlace } from '$lib/core/text/index.ts';
import type { SeenVantage, Vantage } from '$lib/core/vantage/index.ts';

/** The pages that use a file as a sheet, directly or through imports, by their paths. */
function pagesWith(site: SiteState, file: string): [path: string, page: Page][] {
	const sources = sourcesOf((path) => site.texts.get(path)?.text, site.parsers);
	return [...site.texts.values()].flatMap(({ kind, path, text }): [string, Page][] => {
		if (kind !== 'page') return [];
		const page = sources.page(textWithErrands(site, path, text));
		const { places } = conditionsOfPage(page, path, sources);
		return places.some((place) => place.file === file) ? [[path, page]] : [];
	});
}

/** The pages of a site that use, or are, one of some files. */
export const pagesOf = (site: SiteState, files: readonly string[]): string[] => [
	...new Set(
		files.flatMap((file) =>
			site.texts.get(file)?.kind === 'page' ? [file] : pagesWith(site, file).map(([path]) => path)
		)
	)
];

/** The classes and ids of the elements of pages. */
function namesOf(pages: readonly Page[]): Names {
	const [classes, ids] = [new Set<string>(), new Set<string>()];
	for (const element of pages.flatMap(({ elements }) => elements)) {
		for (const name of classesOf(element)) classes.add(name);
		const id = attribute(element, 'id');
		if (id) ids.add(id);
	}
	return { classes: [...classes], ids: [...ids] };
}

/** The answers about a site's pages while one is in the frames of some stages. */
export const answersOf = (
	site: SiteState,
	page: PageState,
	vantages: () => readonly Vantage[],
	stages: Stages | null,
	show: (place: FilePlace) => void
): PageAnswers => ({
	pageNames: () => page.names(),
	usedValues: (property) => page.usedValues(property),
	vantages,
	outline: (selector) => stages?.outline(selector),
	names: (file) => namesOf(pagesWith(site, file).map(([, one]) => one)),
	isOnPage: (file) => page.has(file),
	hits: (selectors) => stages?.hits('lead', selectors) ?? Promise.resolve([]),
	otherHits(file, selectors) {
		const others = pagesWith(site, file)
			.filter(([path]) => path !== page.path)
			.map(([path, { source }]) => [path, source] as const);
		return stages && others.length > 0
			? stages.reach(new Map(others), selectors)
			: Promise.resolve(new Map());
	},
	async textHits(texts, selectors) {
		const named = new Map(texts.map((text, i) => [`text ${i}`, text]));
		return [...((await stages?.reach(named, selectors)) ?? new Map()).values()];
	},
	showDefinition(name) {
		for (const { file, text, offset } of page.conditions.places) {
			const at = definitionIn(page.sources.sheet(text), name);
			if (at === undefined) continue;
			show({ path: file, offset: offset + at });
			return true;
		}
		return false;
	}
});

/**
 * The rules in force at a vantage's width that match an element, by their places in their files, in reverse cascade
 * order.
 */
export async function rulesOf(
	page: PageState,
	stages: Stages,
	path: ElementPath,
	lead: SeenVantage
): Promise<FilePlace[]> {
	const here = rationalFromNumber(lead.width);
	const { places } = page.conditions;
	const inForce = new Map(
		await Promise.all(
			[...new Set(places.map(({ file }) => file))].map(async (file) => {
				const { rules: all } = await page.force(file, lead);
				const starts = all.flatMap(({ span, widths }) => (contains(widths, here) ? [span.start] : []));
				return [file, new Set(starts)] as const;
			})
		)
	);
	const rules = places.flatMap(({ file, text, offset }) => {
		return [...walk(page.sources.sheet(text))].flatMap((node) => {
			const at = page.inFile(file, offset + node.span.start);
			return node.kind === 'rule' && inForce.get(file)?.has(at)
				? { path: file, offset: at, selector: wholeSelector(text, node) }
				: [];
		});
	});
	const hit = await stages.matching(
		'lead',
		path,
		rules.map(({ selector }) => selector)
	);
	return rules.filter((_, i) => hit[i]).toReversed();
}
