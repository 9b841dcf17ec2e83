import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { giveClass, likeIt, parsePage, type PageElement } from '../html/index.ts';
import { applyChanges, offsetAfter, offsetBefore } from '../text/index.ts';
import type { MarkupRequest } from '../html/edit/index.ts';
import {
	changedErrands,
	errandFor,
	errandIn,
	errandsBack,
	errandSentence,
	unsteadyNames,
	requestsToHost,
	withErrands,
	type Errand,
	type ErrandRequest
} from './index.ts';

const SAVE = `<!doctype html><body><header id=top>Ombry</header>
<section class="part k8f3a1"><h2>Before you board</h2><p>One</p><p class='lead'>Two</p><img src=a.webp alt="The ramp"></section>
<section id=sec-8f3a21><h2>Next</h2><ul><li>a<li>b</ul></section>`;
const NEWER = SAVE.replace('sec-8f3a21', 'sec-11bc90').replace('k8f3a1', 'k77d20');

const changed = (source: string, tag: string, turn: number, name: string): string => {
	const page = parsePage(source);
	const element = page.elements.filter((one) => one.tag === tag)[turn];
	const change = element && giveClass(page, element, name);
	return change ? source.slice(0, change.start) + change.text + source.slice(change.end) : source;
};

describe('giveClass', () => {
	it('adds to what stands there and changes nothing else', () => {
		expect(changed(SAVE, 'p', 0, 'x')).toBe(SAVE.replace('<p>One', '<p class="x">One'));
		expect(changed(SAVE, 'p', 1, 'x')).toBe(SAVE.replace("class='lead'", "class='lead x'"));
		expect(changed(SAVE, 'p', 1, 'lead')).toBe(SAVE);
		expect(changed(SAVE, 'img', 0, 'x')).toBe(SAVE.replace('alt="The ramp"', 'alt="The ramp" class="x"'));
		expect(changed('<br/>', 'br', 0, 'x')).toBe('<br class="x"/>');
		expect(changed('<p class=a>b', 'p', 0, 'x')).toBe('<p class="a x">b');
		expect(changed('<p class>b', 'p', 0, 'x')).toBe('<p class="x">b');
		expect(changed('<p class="">b', 'p', 0, 'x')).toBe('<p class="x">b');
	});
	it('finds what is like an element, in its section or on the page', () => {
		const page = parsePage(SAVE);
		const heading = page.elements.find(({ tag }) => tag === 'h2');
		expect(heading && likeIt(page, heading, 'section')).toHaveLength(1);
		expect(heading && likeIt(page, heading, 'page')).toHaveLength(2);
	});
});

describe('errands', () => {
	const page = parsePage(SAVE);
	const [, part, next] = page.elements.filter(({ tag }) => /^(header|section)$/.test(tag));
	it('say what is to be done in words of the page', () => {
		expect(part && errandSentence(page, errandFor('home.html', part, 'strip'))).toBe(
			'Give section 2, “Before you board”, the class strip.'
		);
		const entry = page.elements.filter(({ tag }) => tag === 'li')[1];
		expect(entry && errandSentence(page, errandFor('home.html', entry, 'last'))).toBe(
			'In section 3, “Next”, give the entry “b” (li 2 of 2 there) the class last.'
		);
	});
	it('are ticked off by a newer save that has the class, wherever the element has come to stand', () => {
		if (!next) throw new Error('There is no section.');
		const errand = errandFor('home.html', next, 'strip');
		const moved = parsePage(NEWER.replace('<header', '<p>New</p><header'));
		expect(errandIn(moved, errand)).toMatchObject({ done: false, path: [1, 3] });
		const done = parsePage(NEWER.replace('<section id=', '<section class="strip" id='));
		expect(errandIn(done, errand)).toMatchObject({ done: true, path: [1, 2] });
	});
});

describe('errands of a page', () => {
	const page = parsePage(SAVE);
	const lead = page.elements.filter(({ tag }) => tag === 'p')[1];
	if (!lead) throw new Error('There is no paragraph.');
	const REQUESTS: readonly (readonly [string | ErrandRequest, string, string])[] = [
		['strip', "class='lead strip'", 'give the paragraph “Two” (p 2 of 2 there) the class strip'],
		[{ kind: 'class', name: 'lead' }, '<p>Two', 'take the class lead from the paragraph “Two”'],
		[{ kind: 'attribute', name: 'lang', value: 'en' }, 'lang="en">Two', 'set lang of the paragraph “Two”'],
		[{ kind: 'words', words: 'Due < 9' }, '>Due &lt; 9</p>', 'write “Due < 9” into the paragraph “Two”'],
		[
			{ kind: 'wrap', wrapper: { tag: 'div', className: 'a' }, together: false },
			'<div class="a"><p',
			'put a div of the class a around the paragraph “Two”'
		],
		[{ kind: 'unwrap' }, '</p>Two<img', 'take the tags of the paragraph “Two”'],
		[
			{ kind: 'move', by: -1 },
			"<p class='lead'>Two</p><p>One",
			'move the paragraph “Two” (p 2 of 2 there) before'
		],
		[{ kind: 'duplicate' }, "Two</p><p class='lead'>Two", 'make a copy of the paragraph “Two”'],
		[
			{ kind: 'insert', html: '<hr>', place: 'before' },
			"<hr><p class='lead'>Two",
			'add “<hr>” before the paragraph “Two”'
		],
		[
			{ kind: 'wrap-run', wrapper: { tag: 'div', className: '' }, count: 2 },
			'<div><p class=\'lead\'>Two</p><img src=a.webp alt="The ramp"></div>',
			'put a div around the paragraph “Two” (p 2 of 2 there) and the one after it'
		],
		[
			{ kind: 'wrap-words', wrapper: { tag: 'b', className: 'x' }, words: 'wo', before: 0 },
			'T<b class="x">wo</b></p>',
			'put a b of the class x around “wo” in the paragraph “Two”'
		]
	];

	it.each(REQUESTS)('%j is in its text, and told in words', (request, text, words) => {
		const errand = errandFor('home.html', lead, request);
		expect(withErrands(SAVE, [errand]).text).toContain(text);
		expect(errandSentence(page, errand)).toContain(words);
	});

	it('are done one after the other, and places are found back', () => {
		fc.assert(
			fc.property(fc.shuffledSubarray(REQUESTS.map(([request]) => request)), fc.nat(), (requests, at) => {
				const errands = requests.map((request) => errandFor('home.html', lead, request));
				const { text, steps } = withErrands(SAVE, errands);
				expect(steps.reduce((now, changes) => applyChanges(now, changes), SAVE)).toBe(text);
				// What stands before all of them is where it was, and what stands after all is as far from the end.
				const back = (offset: number): number => steps.reduceRight(offsetBefore, offset);
				const there = (offset: number): number => steps.reduce(offsetAfter, offset);
				const [head, tail] = [SAVE.indexOf('<p>One'), SAVE.length - SAVE.indexOf('</section>')];
				expect(back(at % head)).toBe(at % head);
				expect(SAVE.length - back(text.length - (at % tail))).toBe(at % tail);
				expect(there(at % head)).toBe(at % head);
				expect(text.length - there(SAVE.length - (at % tail))).toBe(at % tail);
			})
		);
	});

	it.each<readonly [MarkupRequest, string, string]>([
		[{ kind: 'give-class', name: 'a' }, "class='lead'", "class='lead a'"],
		[{ kind: 'class', name: 'lead' }, "class='lead'", ''],
		[{ kind: 'attribute', name: 'lang', value: 'en' }, "class='lead'", 'lang=en'],
		[{ kind: 'words', words: 'Due at 9' }, '>Two<', '>Due\nat 9<'],
		[
			{ kind: 'wrap', wrapper: { tag: 'div', className: 'a' }, together: false },
			"<p class='lead'>Two</p>",
			'<div class=a><p>Two</p></div>'
		],
		[
			{ kind: 'wrap', wrapper: { tag: 'div' }, together: true },
			'<p class=\'lead\'>Two</p><img src=a.webp alt="The ramp">',
			'<div><p>Two</p><img src=a.webp></div>'
		],
		[
			{
				kind: 'wrap-words',
				wrapper: { tag: 'b' },
				start: SAVE.indexOf('wo</p>'),
				end: SAVE.indexOf('wo</p>') + 2
			},
			'Two',
			'T<b>wo</b>'
		],
		[{ kind: 'unwrap' }, "<p class='lead'>Two</p>", 'Two'],
		[{ kind: 'move', by: -1 }, "<p>One</p><p class='lead'>Two</p>", '<p>Two</p><p>One</p>'],
		[{ kind: 'duplicate' }, "<p class='lead'>Two</p>", '<p>Two</p><p>Two</p>'],
		[{ kind: 'insert', html: '<b>New</b>', place: 'last' }, "'lead'>Two", "'lead'>Two <b>New</b>"]
	])('%j is ticked off by a save that has it, and by no other', (request, from, to) => {
		const [[element, toHost] = []] = requestsToHost(page, [lead], request) ?? [];
		if (!element || toHost === undefined) throw new Error('The host is not told of it.');
		const errand = errandFor('home.html', element, toHost);
		expect(errandIn(page, errand).done).toBe(false);
		expect(errandIn(parsePage(NEWER.replace('<header', '<p>New</p><header')), errand).done).toBe(false);
		expect(errandIn(parsePage(SAVE.replace(from, to)), errand).done).toBe(true);
	});

	it('are told of words by those before them, and of no words across elements', () => {
		const twice = parsePage('<p>a b a</p><p>c</p>');
		const [first, second] = twice.elements.filter(({ tag }) => tag === 'p');
		if (!first || !second) throw new Error('There are no paragraphs.');
		const at = twice.source.indexOf('a<');
		const request = (end: number): MarkupRequest => ({
			kind: 'wrap-words',
			wrapper: { tag: 'i' },
			start: at,
			end
		});
		const [[element, toHost] = []] = requestsToHost(twice, [second, first], request(at + 1)) ?? [];
		expect(toHost).toMatchObject({ words: 'a', before: 1 });
		expect(element && toHost && withErrands(twice.source, [errandFor('x', element, toHost)]).text).toBe(
			'<p>a b <i>a</i></p><p>c</p>'
		);
		expect(requestsToHost(twice, [first, second], request(at + 9))).toBeUndefined();
	});
});

it('two saves prove which names are unsteady, and no others', () => {
	const names = unsteadyNames('home.html', parsePage(SAVE), parsePage(NEWER));
	expect(names.map(({ kind, name, became }) => `${kind} ${name} ${became}`)).toEqual([
		'class k8f3a1 k77d20',
		'id sec-8f3a21 sec-11bc90'
	]);
	expect(unsteadyNames('home.html', parsePage(SAVE), parsePage(SAVE.replace('lead', 'first')))).toMatchObject(
		[{ kind: 'class', name: 'lead' }]
	);
});

describe('changes of the list of errands', () => {
	const [a, b, c] = ['a', 'b', 'c'].map((name) =>
		errandFor('index.html', parsePage(SAVE).elements[5] as PageElement, name)
	) as [Errand, Errand, Errand];
	const here = (page: string): string => page;

	it('are undone in the opposite order, at their places', () => {
		const changes = [
			{ at: 1, was: b, now: null },
			{ at: 1, was: null, now: c },
			{ at: 0, was: a, now: { ...a, done: true } }
		];
		const after = changedErrands([a, b], changes, here);
		expect(after).toEqual([{ ...a, done: true }, c]);
		expect(changedErrands(after ?? [], errandsBack(changes), here)).toEqual([a, b]);
	});

	it('find an errand that others have moved in the list, or whose page has another path', () => {
		const renamed = { ...b, page: 'other.html' };
		const changes = [{ at: 0, was: b, now: null }];
		expect(changedErrands([c, renamed], changes, () => 'other.html')).toEqual([c]);
		expect(changedErrands([c], errandsBack(changes), () => 'other.html')).toEqual([renamed, c]);
	});

	it('are not made where an errand is not in the list as it was', () => {
		expect(changedErrands([{ ...b, done: true }, c], [{ at: 0, was: b, now: null }], here)).toBeUndefined();
	});
});
