import * as z from 'zod/mini';
import { attribute, classesOf, wordsIn, type Page, type PageElement } from '../html/index.ts';

/** An id or class that differs between two saves of the same page: nothing can rely on it. */
export const unsteadySchema = z.strictObject({
	page: z.string().check(z.maxLength(500)),
	kind: z.enum(['id', 'class']),
	name: z.string().check(z.maxLength(500)),
	/** What replaces it in the later save. */
	became: z.string().check(z.maxLength(500))
});

export type UnsteadyName = z.infer<typeof unsteadySchema>;

const WORDS = 120;
/** What identifies an element in two saves: its tag and those of its ancestors, and its text. */
function known(element: PageElement): string {
	const tags: string[] = [];
	for (let at: PageElement | null = element; at; at = at.parent) tags.push(at.tag);
	const source = ['src', 'href', 'alt', 'name'].map((name) => attribute(element, name) ?? '').join(' ');
	return `${tags.join('<')} ${source} ${wordsIn(element, WORDS)}`;
}

const byWhatTheySay = (page: Page): Map<string, PageElement[]> => {
	const found = new Map<string, PageElement[]>();
	for (const element of page.elements) {
		const key = known(element);
		const list = found.get(key);
		if (list) list.push(element);
		else found.set(key, [element]);
	}
	return found;
};

/**
 * The ids and classes that two saves of a page prove unsteady. Elements with the same text at the same place of the
 * tree are paired where both saves have equally many; a name is unsteady where only one of a pair has it, the other
 * save's page has it nowhere, and another such name stands in its place.
 */
export function unsteadyNames(page: string, before: Page, after: Page): UnsteadyName[] {
	const [old, now] = [byWhatTheySay(before), byWhatTheySay(after)];
	const idsOf = ({ elements }: Page): Set<string> =>
		new Set(elements.flatMap((one) => attribute(one, 'id') ?? []));
	const allClasses = ({ elements }: Page): Set<string> => new Set(elements.flatMap(classesOf));
	const [idsThen, idsNow, classesThen, classesNow] = [
		idsOf(before),
		idsOf(after),
		allClasses(before),
		allClasses(after)
	];
	const found = new Map<string, UnsteadyName>();
	const put = (kind: UnsteadyName['kind'], name: string, became: string): void => {
		const key = `${kind} ${name}`;
		if (!found.has(key)) found.set(key, { page, kind, name, became });
	};
	for (const [key, elements] of old) {
		const pairs = now.get(key);
		if (pairs?.length !== elements.length) continue;
		elements.forEach((was, i) => {
			const is = pairs[i];
			if (!is) return;
			const [a, b] = [attribute(was, 'id'), attribute(is, 'id')];
			if (a && b && a !== b && !idsNow.has(a) && !idsThen.has(b)) put('id', a, b);
			const gone = classesOf(was).filter((name) => !classesNow.has(name));
			const come = classesOf(is).filter((name) => !classesThen.has(name));
			if (gone.length === come.length) gone.forEach((name, n) => put('class', name, come[n] ?? ''));
		});
	}
	return [...found.values()];
}
