import * as z from 'zod/mini';
import {
	INSERT_PLACES,
	isBeside,
	markupChanges,
	wrapElements,
	wrapWords,
	type MarkupRequest
} from '../html/edit/index.ts';
import {
	attribute,
	classesOf,
	elementAt,
	isWithin,
	parsePage,
	wordsIn,
	type Page,
	type PageElement
} from '../html/index.ts';
import type { Change } from '../text/index.ts';

export const text = (most: number) => z.string().check(z.maxLength(most));

const wrapperSchema = z.strictObject({ tag: text(100), className: text(100) });

/** What identifies an element in another save: its tag, and how it begins. */
const knownSchema = z.strictObject({ tag: text(100), words: text(200) });

const count = z.int().check(z.nonnegative(), z.lte(100_000));

/**
 * What is to be done to an element, other than giving it a class, in a form that can be told to whoever writes the
 * markup: by elements and words, not by offsets.
 */
export const errandRequestSchema = z.discriminatedUnion('kind', [
	z.strictObject({ kind: z.literal('class'), name: text(100) }),
	z.strictObject({ kind: z.literal('attribute'), name: text(200), value: z.nullable(text(20_000)) }),
	z.strictObject({ kind: z.literal('words'), words: text(20_000) }),
	z.strictObject({ kind: z.literal('wrap'), wrapper: wrapperSchema, together: z.literal(false) }),
	/** The element and the following ones, so many in all, as one. */
	z.strictObject({ kind: z.literal('wrap-run'), wrapper: wrapperSchema, count }),
	/** Words in it, as in its source; so many equal ones come before. */
	z.strictObject({
		kind: z.literal('wrap-words'),
		wrapper: wrapperSchema,
		words: text(20_000),
		before: count
	}),
	z.strictObject({ kind: z.literal('unwrap') }),
	/** Before or after its neighbour. */
	z.strictObject({
		kind: z.literal('move'),
		by: z.union([z.literal(-1), z.literal(1)]),
		neighbour: z.optional(knownSchema)
	}),
	/** A copy after it; so many copies exist already. */
	z.strictObject({ kind: z.literal('duplicate'), alike: z.optional(count) }),
	z.strictObject({ kind: z.literal('insert'), html: text(20_000), place: z.enum(INSERT_PLACES) })
]);

export type ErrandRequest = z.infer<typeof errandRequestSchema>;

const WORDS = 80;

/** What identifies an element in another save of its page. */
export const knownBy = (element: PageElement): z.infer<typeof knownSchema> => ({
	tag: element.tag,
	words: wordsIn(element, WORDS)
});

/** Whether an element is the one so identified. */
export const isKnownAs = (element: PageElement, { tag, words }: z.infer<typeof knownSchema>): boolean =>
	element.tag === tag && wordsIn(element, WORDS) === words;

const siblings = (element: PageElement): readonly PageElement[] => element.parent?.children ?? [];
const alikeOf = (element: PageElement): number =>
	siblings(element).filter((one) => isKnownAs(one, knownBy(element))).length;

/** Where an element's content begins and ends in its page's source. */
const insideOf = ({ startTag, endTag, span }: PageElement): readonly [number, number] => [
	startTag?.end ?? 0,
	endTag?.start ?? span?.end ?? 0
];

/** The places of words in the source of an element's content. */
function placesOf({ source }: Page, element: PageElement, words: string): number[] {
	const [from, to] = insideOf(element);
	const found: number[] = [];
	let at = words === '' ? -1 : source.indexOf(words, from);
	while (at >= 0 && at + words.length <= to) {
		found.push(at);
		at = source.indexOf(words, at + words.length);
	}
	return found;
}

/**
 * Requests for the markup of elements in a form that can be told to the host of a page: each with its element.
 * Undefined where that is impossible: the words are in none of the elements.
 */
export function requestsToHost(
	page: Page,
	elements: readonly PageElement[],
	request: MarkupRequest
): readonly (readonly [PageElement, string | ErrandRequest])[] | undefined {
	if (request.kind === 'give-class') return elements.map((one) => [one, request.name]);
	if (request.kind === 'wrap-words') {
		const words = page.source.slice(request.start, request.end).trim();
		const holding = elements.find(
			(one) => insideOf(one)[0] <= request.start && request.end <= insideOf(one)[1]
		);
		if (!holding || words === '' || /[<>]/.test(words)) return undefined;
		const before = placesOf(page, holding, words).filter((at) => at < request.start).length;
		return [[holding, { kind: 'wrap-words', wrapper: whole(request.wrapper), words, before }]];
	}
	if (request.kind === 'wrap') {
		const wrapper = whole(request.wrapper);
		const [first] = elements;
		return request.together && first
			? [[first, { kind: 'wrap-run', wrapper, count: elements.length }]]
			: elements.map((one) => [one, { kind: 'wrap', wrapper, together: false }]);
	}
	return elements.map((one) => {
		const neighbour = request.kind === 'move' && siblings(one)[siblings(one).indexOf(one) + request.by];
		if (neighbour) return [one, { ...request, neighbour: knownBy(neighbour) }];
		return [one, request.kind === 'duplicate' ? { ...request, alike: alikeOf(one) } : request];
	});
}

const whole = ({ tag, className = '' }: { tag: string; className?: string }) => ({ tag, className });

/** The changes of a page's source that a request for an element amounts to. */
export function changesFor(page: Page, element: PageElement, request: string | ErrandRequest): Change[] {
	if (typeof request === 'string')
		return markupChanges(page, [element], { kind: 'give-class', name: request });
	switch (request.kind) {
		case 'wrap-run': {
			const all = siblings(element);
			const at = all.indexOf(element);
			return wrapElements(page, all.slice(at, at + request.count), request.wrapper);
		}
		case 'wrap-words': {
			const places = placesOf(page, element, request.words);
			const start = places[request.before] ?? places[0];
			return start === undefined
				? []
				: wrapWords(page, { start, end: start + request.words.length }, request.wrapper);
		}
		default:
			return markupChanges(page, [element], request);
	}
}

const isWrapper = (element: PageElement | null, { tag, className }: { tag: string; className: string }) =>
	element?.tag === tag && (className === '' || classesOf(element).includes(className));

const plainWords = (words: string): string => words.replace(/\s+/g, ' ').trim();

/** Whether HTML has been added beside an element or in it. */
function isInserted(element: PageElement, { html, place }: ErrandRequest & { kind: 'insert' }): boolean {
	const added = parsePage(`<body>${html}`).root.children[1]?.children[0];
	if (!added) return !isBeside(place) && wordsIn(element, 1e6).includes(plainWords(html));
	const among = isBeside(place) ? siblings(element) : element.children;
	return among.some((one) => one !== element && isKnownAs(one, knownBy(added)));
}

/**
 * Whether a save contains what was requested for an element at a path; the element is undefined where the save has
 * none like it.
 */
export function isDone(
	page: Page,
	element: PageElement | undefined,
	request: string | ErrandRequest,
	was: z.infer<typeof knownSchema> & { readonly path: readonly number[] }
): boolean {
	if (typeof request !== 'string' && request.kind === 'words') {
		const there = elementAt(page, was.path);
		return there?.tag === was.tag && wordsIn(there, request.words.length + 1) === plainWords(request.words);
	}
	if (typeof request !== 'string' && request.kind === 'unwrap') {
		// Its words are in its former parent, and there is no such element.
		const around = elementAt(page, was.path.slice(0, -1));
		return !element && was.words !== '' && around !== undefined && wordsIn(around, 1e6).includes(was.words);
	}
	if (typeof request !== 'string' && request.kind === 'insert') {
		// What was added inside changes its words.
		const there = element ?? elementAt(page, was.path);
		return there?.tag === was.tag && isInserted(there, request);
	}
	if (!element) return false;
	if (typeof request === 'string') return classesOf(element).includes(request);
	switch (request.kind) {
		case 'class':
			return !classesOf(element).includes(request.name);
		case 'attribute':
			return attribute(element, request.name) === (request.value ?? undefined);
		case 'wrap':
		case 'wrap-run':
			return isWrapper(element.parent, request.wrapper);
		case 'wrap-words':
			return page.elements.some(
				(one) =>
					isWrapper(one, request.wrapper) &&
					one !== element &&
					isWithin(one.path, element.path) &&
					wordsIn(one, request.words.length + 1) === plainWords(request.words)
			);
		case 'move': {
			const { neighbour, by } = request;
			const all = siblings(element);
			const other = neighbour && all.findIndex((one) => isKnownAs(one, neighbour));
			return other !== undefined && other >= 0 && Math.sign(all.indexOf(element) - other) === by;
		}
		case 'duplicate':
			return request.alike !== undefined && alikeOf(element) > request.alike;
	}
}
