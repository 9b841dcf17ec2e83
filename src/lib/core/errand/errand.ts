import * as z from 'zod/mini';
import { PLACE_WORDS } from '../html/edit/index.ts';
import { applyChanges, type Change } from '../text/index.ts';
import {
	CLASS_NAME,
	elementAt,
	headingIn,
	isWithin,
	parsePage,
	sectionNumber,
	sectionOf,
	type Page,
	type PageElement
} from '../html/index.ts';
import {
	changesFor,
	isDone,
	isKnownAs,
	knownBy,
	text,
	errandRequestSchema,
	type ErrandRequest
} from './errandRequest.ts';

/** Something to be done at the host to an element of given markup; until then only frames show it. */
export const errandSchema = z.strictObject({
	page: text(500),
	/** The class to be given; '' where something else is requested. */
	name: text(100).check(
		z.refine((name) => name === '' || CLASS_NAME.test(name), 'this is no name of a class')
	),
	request: z.optional(errandRequestSchema),
	path: z.readonly(z.array(z.int().check(z.nonnegative())).check(z.maxLength(1000))),
	/** What identifies the element when its place has changed. */
	tag: text(100),
	words: text(200),
	/** Whether a newer save of the page contains it. */
	done: z.boolean()
});

export type Errand = z.infer<typeof errandSchema>;

/** A page or sheet that is given is left unchanged; what a page lacks becomes an errand. */
export const givenSchema = z.strictObject({ path: text(500) });

export type Given = z.infer<typeof givenSchema>;

/** An errand for an element: a class for it, or another request. */
export const errandFor = (page: string, element: PageElement, request: string | ErrandRequest): Errand => ({
	page,
	...(typeof request === 'string' ? { name: request } : { name: '', request }),
	path: element.path,
	...knownBy(element),
	done: false
});

/**
 * The element of an errand in a save of its page: the one at the old place if its text is the same; otherwise the
 * only, or the first, one with that text; undefined where there is none.
 */
function elementOf(page: Page, errand: Errand): PageElement | undefined {
	const { path, tag, words } = errand;
	const there = elementAt(page, path);
	const isIt = (one: PageElement): boolean => isKnownAs(one, errand);
	if (there && isIt(there)) return there;
	return page.elements.find(isIt) ?? (there?.tag === tag && words === '' ? there : undefined);
}

/** Where the element of an errand begins in the source of a save of its page; undefined where there is none. */
export const errandOffset = (page: Page, errand: Errand): number | undefined =>
	elementOf(page, errand)?.startTag?.start;

/**
 * An errand as a newer save of its page has it: with its place there, and ticked off if the save contains what was
 * requested.
 */
export function errandIn(page: Page, errand: Errand): Errand {
	const element = elementOf(page, errand);
	const done = isDone(page, element, errand.request ?? errand.name, errand);
	return element ? { ...errand, path: element.path, done } : { ...errand, done: errand.done || done };
}

/**
 * The text of a page with its errands applied one after the other, and the changes of each, with which places in it
 * are mapped to the page's own text (`offsetBefore`, the last first).
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
		const changes = changesFor(page, element, errand.request ?? errand.name);
		if (changes.length === 0) continue;
		text = applyChanges(text, changes);
		steps.push(changes);
	}
	return { text, steps };
}

const wrapperNamed = ({ tag, className }: { tag: string; className: string }): string =>
	`a ${tag}${className === '' ? '' : ` of the class ${className}`}`;

/** What an errand requests, of something that is called `it`. */
function instruction({ request, name }: Errand, it: string): string {
	switch (request?.kind) {
		case undefined:
			return `give ${it} the class ${name}`;
		case 'class':
			return `take the class ${request.name} from ${it}`;
		case 'attribute':
			return request.value === null
				? `take the attribute ${request.name} from ${it}`
				: `set ${request.name} of ${it} to “${request.value}”`;
		case 'words':
			return `write “${request.words}” into ${it}`;
		case 'wrap':
			return `put ${wrapperNamed(request.wrapper)} around ${it}`;
		case 'wrap-run':
			return `put ${wrapperNamed(request.wrapper)} around ${it} and the ${request.count === 2 ? 'one' : `${request.count - 1}`} after it`;
		case 'wrap-words':
			return `put ${wrapperNamed(request.wrapper)} around “${request.words}”${request.before > 0 ? ` (number ${request.before + 1} of such)` : ''} in ${it}`;
		case 'unwrap':
			return `take the tags of ${it} away, and leave what is in it`;
		case 'move':
			return `move ${it} ${request.by < 0 ? 'before' : 'after'} its neighbour`;
		case 'duplicate':
			return `make a copy of ${it}, after it`;
		case 'insert':
			return `add “${request.html.trim()}” ${PLACE_WORDS[request.place]} ${it}`;
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

/**
 * An errand in words that a person at the host understands: the section by its place and heading, then the piece of
 * it.
 */
export function errandSentence(page: Page, errand: Errand): string {
	const element = elementOf(page, errand) ?? elementAt(page, errand.path);
	if (!element) return `${capital(instruction(errand, `a ${errand.tag}${quoted(errand.words)}`))}.`;
	const section = sectionOf(element);
	const number = sectionNumber(page, section);
	const heading = headingIn(section);
	const place = number > 0 ? `section ${number}${heading ? `, “${heading}”,` : ''}` : 'the page';
	if (section === element) return `${capital(instruction(errand, place))}.`;
	const alike = page.elements.filter((one) => one.tag === element.tag && isWithin(one.path, section.path));
	const which =
		alike.length > 1 ? ` (${element.tag} ${alike.indexOf(element) + 1} of ${alike.length} there)` : '';
	const label = quoted(errand.words.slice(0, 40)) || quoted(element.attributes.get('alt')?.value ?? '');
	const it = `${CALLED[element.tag] ?? `the ${element.tag}`}${label}${which}`;
	return `In ${place.replace(/,$/, '')}, ${instruction(errand, it)}.`;
}
