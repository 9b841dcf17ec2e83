import { counted, done, messageOf, refuse, type Result } from '$lib/core/text/index.ts';
import { markupChanges, PLACE_WORDS, whyRefused, type MarkupRequest } from '$lib/core/html/edit/index.ts';
import { walk } from '$lib/core/css/index.ts';
import { elementAt, parsePage, type ElementPath } from '$lib/core/html/index.ts';
import { elementsOf, wholeSelector } from '$lib/core/selector/index.ts';
import { errandsTo } from '$lib/session/errands.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import type { Proposal } from '$lib/session/proposal.svelte.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';

function wordsOf(request: MarkupRequest, count: number): string {
	const on = count === 1 ? 'one element' : `${count} elements`;
	switch (request.kind) {
		case 'attribute':
			return request.value === null
				? `Removes the attribute ${request.name} from ${on}.`
				: `Sets the attribute ${request.name} of ${on} to “${request.value}”.`;
		case 'class':
			return `Removes the class ${request.name} from ${on}.`;
		case 'give-class':
			return `Adds the class ${request.name} to ${on}.`;
		case 'words':
			return `Changes the text of ${on}.`;
		case 'wrap':
			return `Wraps ${request.together && count > 1 ? `${on} together` : on} in a ${request.wrapper.tag}.`;
		case 'wrap-words':
			return `Wraps the selected words in a ${request.wrapper.tag}.`;
		case 'unwrap':
			return `Removes the tags of ${on} and keeps the content.`;
		case 'move':
			return `Moves ${on} ${request.by < 0 ? 'before' : 'after'} the neighbour.`;
		case 'duplicate':
			return `Duplicates ${on}, with new ids.`;
		case 'insert':
			return `Adds HTML ${PLACE_WORDS[request.place]} ${on}.`;
	}
}

/** At most so many rules are listed; the others are counted. */
const MOST_TOLD = 5;

/**
 * Rules of a page's sheets that match a different number of its elements once it has another text, one sentence each.
 */
async function hitsOtherwise(page: PageState, before: string, after: string): Promise<string[]> {
	const rules = new Map<string, string>();
	for (const { file, text } of page.conditions.places) {
		for (const node of walk(page.sources.sheet(text))) {
			if (node.kind !== 'rule') continue;
			const selector = wholeSelector(text, node).replace(/\s+/g, ' ');
			if (!rules.has(selector)) rules.set(selector, file);
		}
	}
	const selectors = [...rules.keys()];
	const [was = [], is = []] = await page.answers.textHits([before, after], selectors.map(elementsOf));
	const found = [...rules].flatMap(([selector, file], i) => {
		const [then, now] = [was[i] ?? 0, is[i] ?? 0];
		return then === now
			? []
			: [`${selector} in ${file.replace(/^.*\//, '')} matches ${counted(now, 'element')}, before ${then}.`];
	});
	const more = found.length - MOST_TOLD;
	return [
		...found.slice(0, MOST_TOLD),
		...(more > 0 ? [`${more} more rules match other elements than before.`] : [])
	];
}

/** The sheets of a page with rules for a class, as a sentence; none where no sheet has any. */
async function rulesFor(page: PageState, name: string): Promise<string[]> {
	const { styled } = await page.names();
	const sheets = [...(styled.get(name) ?? [])];
	return sheets.length === 0
		? []
		: [`${sheets.join(', ')} ${sheets.length === 1 ? 'has' : 'have'} rules for .${name}.`];
}

/**
 * Proposes a change of a page's HTML, with its consequences for rules once they are known; for a given page it
 * becomes errands. The sentence says what was done; it is '' where the proposal says so itself.
 */
export async function requestMarkup(
	site: SiteState,
	page: PageState,
	proposal: Proposal,
	elements: readonly ElementPath[],
	request: MarkupRequest
): Promise<Result<string>> {
	const { path } = page;
	const before = site.texts.get(path)?.text ?? '';
	if (site.given.has(path)) return errandsTo(site, path, elements, request);
	proposal.propose(({ working }) => {
		const parsed = parsePage(working.text(path) ?? '');
		const found = elements.flatMap((one) => elementAt(parsed, one) ?? []);
		const changes = markupChanges(parsed, found, request);
		const why = whyRefused(parsed, found, request);
		if (why !== null) return refuse(why);
		working.change(path, changes);
		return done({ summary: wordsOf(request, found.length), notes: [] });
	});
	const after = proposal.textAfter(path);
	if (after === undefined) return proposal.refusal ?? done('');
	const { sentence } = proposal;
	const notes = await Promise.all(
		[
			...(request.kind === 'class' ? [rulesFor(page, request.name)] : []),
			hitsOtherwise(page, before, after)
		].map((asked) => asked.catch((error: unknown) => [messageOf(error)]))
	);
	if (proposal.sentence === sentence) proposal.notes = notes.flat();
	return done('');
}
