import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { classesOf, elementAt, giveClass, likeIt, parsePage, withClasses } from '../html/index.ts';
import { errandFor, errandIn, errandSentence, unsteadyNames } from './index.ts';

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
	it('leads to a page that differs by that class alone, as withClasses says it will', () => {
		fc.assert(
			fc.property(
				fc.array(
					fc.constantFrom('<p>a', '<p class=b>c', '<div class="d e">', '</div>', "<i CLASS='f '>g</i>"),
					{
						minLength: 1
					}
				),
				fc.nat(),
				(parts, pick) => {
					const source = parts.join('');
					const page = parsePage(source);
					const real = page.elements.filter(({ startTag }) => startTag);
					const element = real[pick % Math.max(1, real.length)];
					const change = element && giveClass(page, element, 'new');
					if (!change) return;
					const after = parsePage(source.slice(0, change.start) + change.text + source.slice(change.end));
					const said = withClasses(source, [{ path: element.path, name: 'new' }]);
					expect(after.elements.map(classesOf)).toEqual(said.elements.map(classesOf));
					expect(classesOf(elementAt(after, element.path) ?? after.root)).toContain('new');
				}
			)
		);
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
