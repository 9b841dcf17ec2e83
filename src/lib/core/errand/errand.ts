import * as z from 'zod/mini';
import {
	CLASS_NAME,
	classesOf,
	elementAt,
	headingIn,
	isWithin,
	sectionNumber,
	sectionOf,
	wordsIn,
	type ElementPath,
	type Page,
	type PageElement
} from '../html/index.ts';

const text = (most: number) => z.string().check(z.maxLength(most));

/** A class that an element of given markup is to get at its host; until then frames alone have it. */
export const errandSchema = z.strictObject({
	page: text(500),
	/** The class. */
	name: text(100).check(z.regex(CLASS_NAME, 'this is no name of a class')),
	path: z.readonly(z.array(z.int().check(z.nonnegative())).check(z.maxLength(1000))),
	/** What the element is known by when its place has changed. */
	tag: text(100),
	words: text(200),
	/** Whether a newer save of the page has it. */
	done: z.boolean()
});

export type Errand = z.infer<typeof errandSchema>;

/** A page or sheet that is given: it is left alone; what a page lacks becomes an errand. */
export const givenSchema = z.strictObject({ path: text(500) });

export type Given = z.infer<typeof givenSchema>;

const WORDS = 80;

export const errandFor = (page: string, element: PageElement, name: string): Errand => ({
	page,
	name,
	path: element.path,
	tag: element.tag,
	words: wordsIn(element, WORDS),
	done: false
});

/**
 * The element of an errand in a save of its page: where it was, if that says the same; else the only one, or the
 * first, that does; undefined where none does.
 */
function elementOf(page: Page, { path, tag, words }: Errand): PageElement | undefined {
	const there = elementAt(page, path);
	const isIt = (one: PageElement): boolean => one.tag === tag && wordsIn(one, WORDS) === words;
	if (there && isIt(there)) return there;
	return page.elements.find(isIt) ?? (there?.tag === tag && words === '' ? there : undefined);
}

/** An errand as a newer save of its page has it: with its place there, and ticked off where the class is there. */
export function errandIn(page: Page, errand: Errand): Errand {
	const element = elementOf(page, errand);
	return element ? { ...errand, path: element.path, done: classesOf(element).includes(errand.name) } : errand;
}

/** What people call elements. */
const CALLED: Readonly<Record<string, string>> = {
	h1: 'the heading',
	h2: 'the heading',
	h3: 'the heading',
	h4: 'the heading',
	h5: 'the heading',
	h6: 'the heading',
	p: 'the paragraph',
	img: 'the picture',
	picture: 'the picture',
	video: 'the film',
	a: 'the link',
	button: 'the button',
	ul: 'the list',
	ol: 'the list',
	li: 'the entry',
	table: 'the table',
	form: 'the form'
};

const quoted = (words: string): string => (words === '' ? '' : ` “${words}”`);

/** An errand in words that a person at the host understands: the section by its place and heading, then the piece of it. */
export function errandSentence(page: Page, errand: Errand): string {
	const element = elementOf(page, errand) ?? elementAt(page, errand.path);
	if (!element) return `Give a ${errand.tag}${quoted(errand.words)} the class ${errand.name}.`;
	const section = sectionOf(element);
	const number = sectionNumber(page, section);
	const heading = headingIn(section);
	const place = number > 0 ? `section ${number}${heading ? `, “${heading}”,` : ''}` : 'the page';
	if (section === element) return `Give ${place} the class ${errand.name}.`;
	const alike = page.elements.filter((one) => one.tag === element.tag && isWithin(one.path, section.path));
	const which =
		alike.length > 1 ? ` (${element.tag} ${alike.indexOf(element) + 1} of ${alike.length} there)` : '';
	const label = quoted(errand.words.slice(0, 40)) || quoted(element.attributes.get('alt')?.value ?? '');
	return `In ${place.replace(/,$/, '')}, give ${CALLED[element.tag] ?? `the ${element.tag}`}${label}${which} the class ${errand.name}.`;
}

/** The classes that errands give, by the places of their elements: of those of a page that are not done. */
export const givenClasses = (page: Page, errands: readonly Errand[]): { path: ElementPath; name: string }[] =>
	errands.flatMap((errand) => {
		const element = elementOf(page, errand);
		return element ? [{ path: element.path, name: errand.name }] : [];
	});
