import type { ElementPath } from '$lib/core/html/index.ts';
import { contains, rationalFromNumber } from '$lib/core/interval/index.ts';
import { walk } from '$lib/core/css/index.ts';
import { wholeSelector } from '$lib/core/selector/index.ts';
import { pageWords } from '$lib/state/complete.ts';
import { hoverVantages, selectorHits } from '$lib/state/hover.ts';
import { definitionIn, definitions } from '$lib/state/moves.ts';
import type { PageState } from '$lib/state/page.svelte.ts';
import type { Stages } from '$lib/state/stages.svelte.ts';
import type { FilePlace } from '$lib/state/texts.svelte.ts';
import type { SeenVantage, Vantage } from '$lib/core/vantage/index.ts';

/** Lets the sheet's editor ask about the page that is in the frames. */
export function giveAnswers(
	page: PageState,
	vantages: () => readonly Vantage[],
	stages: Stages | null,
	show: (place: FilePlace) => void
): void {
	pageWords.of = () => page.words();
	hoverVantages.of = vantages;
	selectorHits.of = (selectors) => stages?.hits('lead', selectors) ?? Promise.resolve([]);
	definitions.show = (name) => {
		for (const { file, text, offset } of page.conditions.places) {
			const at = definitionIn(text, name);
			if (at === undefined) continue;
			show({ path: file, offset: offset + at });
			return true;
		}
		return false;
	};
}

/** The rules in force at a vantage's width that hit an element, the last of the cascade's order first. */
export async function rulesOf(
	page: PageState,
	stages: Stages,
	path: ElementPath,
	lead: SeenVantage
): Promise<FilePlace[]> {
	const here = rationalFromNumber(lead.width);
	const rules = page.conditions.places.flatMap(({ file, text, offset }) => {
		const inForce = new Set(
			page.force(file, lead).flatMap(({ span, widths }) => (contains(widths, here) ? [span.start] : []))
		);
		return [...walk(page.sources.sheet(text))].flatMap((node) =>
			node.kind === 'rule' && inForce.has(offset + node.span.start)
				? { path: file, offset: offset + node.span.start, selector: wholeSelector(text, node) }
				: []
		);
	});
	const hit = await stages.matching(
		'lead',
		path,
		rules.map(({ selector }) => selector)
	);
	return rules.filter((_, i) => hit[i]).toReversed();
}
