import { walk } from '$lib/core/css/index.ts';
import { elementsOf, namesIn, wholeSelector } from '$lib/core/selector/index.ts';
import { sheetParts } from '$lib/writing/sheetParts.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import type { FileText } from '$lib/session/texts.svelte.ts';

/** A rule that matches nothing on any page that uses its file. */
export interface Leftover {
	/** Offset in the file. */
	readonly offset: number;
	readonly selector: string;
	/** How certain that is. */
	readonly sure: string;
}

/**
 * The rules of a file that match nothing, on any page that uses it, in any state. A class that no page has may still
 * be set by a script, which is then said.
 */
export async function leftoversOf(file: FileText, { sources, answers }: PageState): Promise<Leftover[]> {
	const rules = sheetParts(file.text, file.kind).flatMap((part) => {
		const source = file.text.slice(part.start, part.end);
		return [...walk(sources.sheet(source))].flatMap((node) => {
			if (node.kind !== 'rule') return [];
			const selector = wholeSelector(source, node);
			return [{ offset: part.start + node.span.start, selector, asked: elementsOf(selector) }];
		});
	});
	const asked = rules.map((rule) => rule.asked);
	const [here, elsewhere] = await Promise.all([answers.hits(asked), answers.otherHits(file.path, asked)]);
	const isOnPage = answers.isOnPage(file.path);
	const isOnNone = !isOnPage && elsewhere.size === 0;
	const known = answers.names(file.path);
	return rules.flatMap(({ offset, selector }, i) => {
		const counts = [!isOnPage && here[i] ? 0 : here[i], ...[...elsewhere.values()].map((one) => one[i])];
		// Selectors that no browser can parse are skipped.
		if (counts.some((count) => count !== 0)) return [];
		const { classes, ids } = namesIn(selector);
		const missing = [
			...classes.filter((name) => !known.classes.includes(name)).map((name) => `.${name}`),
			...ids.filter((name) => !known.ids.includes(name)).map((name) => `#${name}`)
		];
		const sure = isOnNone
			? 'no page has this file'
			: missing.length > 0
				? `no page has ${missing.join(', ')}; a script could set it`
				: 'its names are on pages, but never so together; hardly a script’s doing';
		return [{ offset, selector, sure }];
	});
}
