import * as z from 'zod/mini';
import { markupChanges } from '../html/edit/index.ts';
import { applyChanges, type Change } from '../text/index.ts';
import {
	attribute,
	CLASS_NAME,
	classesOf,
	elementAt,
	giveClass,
	headingIn,
	isWithin,
	parsePage,
	sectionNumber,
	sectionOf,
	wordsIn,
	type Page,
	type PageElement
} from '../html/index.ts';

const text = (most: number) => z.string().check(z.maxLength(most));

/** What is to be done to an element, other than to give it a class: a wish for its markup (`html/edit`). */
const wishSchema = z.discriminatedUnion('kind', [
	z.strictObject({ kind: z.literal('class'), name: text(100) }),
	z.strictObject({ kind: z.literal('attribute'), name: text(200), value: z.nullable(text(20_000)) }),
	z.strictObject({ kind: z.literal('words'), words: text(20_000) }),
	z.strictObject({
		kind: z.literal('wrap'),
		wrapper: z.strictObject({ tag: text(100), className: text(100) }),
		together: z.literal(false)
	}),
	z.strictObject({ kind: z.literal('unwrap') }),
	z.strictObject({ kind: z.literal('move'), by: z.union([z.literal(-1), z.literal(1)]) }),
	z.strictObject({ kind: z.literal('duplicate') })
]);

export type ErrandWish = z.infer<typeof wishSchema>;

/** What is to be done to an element of given markup at its host; until then frames alone have it. */
export const errandSchema = z.strictObject({
	page: text(500),
	/** The class that it is to get; '' where something else is wished. */
	name: text(100).check(
		z.refine((name) => name === '' || CLASS_NAME.test(name), 'this is no name of a class')
	),
	wish: z.optional(wishSchema),
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

/** An errand for an element: a class for it, or another wish. */
export const errandFor = (page: string, element: PageElement, wish: string | ErrandWish): Errand => ({
	page,
	...(typeof wish === 'string' ? { name: wish } : { name: '', wish }),
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

/** Whether a save has what an errand asks for. Where an element stands among others is not told by a save alone. */
function isDone(page: Page, errand: Errand, element: PageElement | undefined): boolean {
	const { wish, name } = errand;
	if (wish?.kind === 'words') {
		const there = elementAt(page, errand.path);
		return there?.tag === errand.tag && wordsIn(there, wish.words.length + 1) === wordsOf(wish.words);
	}
	if (!element) return false;
	if (!wish) return classesOf(element).includes(name);
	switch (wish.kind) {
		case 'class':
			return !classesOf(element).includes(wish.name);
		case 'attribute':
			return attribute(element, wish.name) === (wish.value ?? undefined);
		case 'wrap': {
			const { tag, className } = wish.wrapper;
			const around = element.parent;
			return around?.tag === tag && (className === '' || classesOf(around).includes(className));
		}
		default:
			return false;
	}
}

const wordsOf = (words: string): string => words.replace(/\s+/g, ' ').trim();

/** An errand as a newer save of its page has it: with its place there, and ticked off where that has what it asks for. */
export function errandIn(page: Page, errand: Errand): Errand {
	const element = elementOf(page, errand);
	const done = isDone(page, errand, element);
	return element ? { ...errand, path: element.path, done } : { ...errand, done: errand.done || done };
}

/**
 * The text of a page with what its errands ask for, one after the other, and the changes of each, by which places in
 * it are found in the page's own text (`offsetBefore`, the last first).
 */
export function withErrands(
	source: string,
	errands: readonly Errand[]
): { readonly text: string; readonly steps: readonly (readonly Change[])[] } {
	let text = source;
	const steps: Change[][] = [];
	for (const errand of errands) {
		const page = parsePage(text);
		const there = elementAt(page, errand.path);
		const element = elementOf(page, errand) ?? (there?.tag === errand.tag ? there : undefined);
		if (!element) continue;
		const changes = errand.wish
			? markupChanges(page, [element], errand.wish)
			: [giveClass(page, element, errand.name) ?? []].flat();
		if (changes.length === 0) continue;
		text = applyChanges(text, changes);
		steps.push(changes);
	}
	return { text, steps };
}

/** What an errand asks for, of something that is called `it`. */
function asked({ wish, name }: Errand, it: string): string {
	switch (wish?.kind) {
		case undefined:
			return `give ${it} the class ${name}`;
		case 'class':
			return `take the class ${wish.name} from ${it}`;
		case 'attribute':
			return wish.value === null
				? `take the attribute ${wish.name} from ${it}`
				: `set ${wish.name} of ${it} to “${wish.value}”`;
		case 'words':
			return `write “${wish.words}” into ${it}`;
		case 'wrap': {
			const { tag, className } = wish.wrapper;
			return `put a ${tag}${className === '' ? '' : ` of the class ${className}`} around ${it}`;
		}
		case 'unwrap':
			return `take the tags of ${it} away, and leave what is in it`;
		case 'move':
			return `move ${it} ${wish.by < 0 ? 'before' : 'after'} its neighbour`;
		case 'duplicate':
			return `make a copy of ${it}, after it`;
	}
}

const capital = (sentence: string): string => sentence.charAt(0).toUpperCase() + sentence.slice(1);

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
	if (!element) return `${capital(asked(errand, `a ${errand.tag}${quoted(errand.words)}`))}.`;
	const section = sectionOf(element);
	const number = sectionNumber(page, section);
	const heading = headingIn(section);
	const place = number > 0 ? `section ${number}${heading ? `, “${heading}”,` : ''}` : 'the page';
	if (section === element) return `${capital(asked(errand, place))}.`;
	const alike = page.elements.filter((one) => one.tag === element.tag && isWithin(one.path, section.path));
	const which =
		alike.length > 1 ? ` (${element.tag} ${alike.indexOf(element) + 1} of ${alike.length} there)` : '';
	const label = quoted(errand.words.slice(0, 40)) || quoted(element.attributes.get('alt')?.value ?? '');
	const it = `${CALLED[element.tag] ?? `the ${element.tag}`}${label}${which}`;
	return `In ${place.replace(/,$/, '')}, ${asked(errand, it)}.`;
}
