import fc from 'fast-check';
import { expect, it } from 'vitest';
import { followPath, parsePage, type PageElement } from './index.ts';

const byId = (source: string, id: string): PageElement | undefined =>
	parsePage(source).elements.find(({ attributes }) => attributes.get('id')?.value === id);

const PAGE = '<!doctype html><main><p id=a>one</p><ul><li id=b>two<li id=c>three</ul><p id=d>four</p></main>';

it.each([
	['put in before', PAGE.replace('<ul>', '<p>new</p><div></div><ul>'), 'c'],
	['put in straight before', PAGE.replace('<li id=c>', '<li>new<li id=c>'), 'c'],
	['taken out before', PAGE.replace('<p id=a>one</p>', ''), 'd'],
	['a class is written in its tag', PAGE.replace('<li id=b>', '<li class="x" id=b>'), 'b'],
	['wrapped', PAGE.replace('<ul>', '<section><ul>').replace('</ul>', '</ul></section>'), 'b'],
	['nothing', PAGE, 'a']
])('an element is followed: %s', (_, after, id) => {
	const path = byId(PAGE, id)?.path ?? [];
	expect(followPath(parsePage(PAGE), parsePage(after), path)).toEqual(byId(after, id)?.path);
});

it('what is taken out is followed nowhere', () => {
	const after = PAGE.replace('<li id=c>three', '');
	expect(followPath(parsePage(PAGE), parsePage(after), byId(PAGE, 'c')?.path ?? [])).toBeNull();
});

it('words put in anywhere between tags lose nothing', () => {
	const places = [...PAGE.matchAll(/>(?!<\/?(ul|li))/g)].map(({ index }) => index + 1).slice(1);
	fc.assert(
		fc.property(
			fc.constantFrom(...places),
			fc.constantFrom('a', 'b', 'c', 'd'),
			fc.string({ maxLength: 9 }),
			(at, id, text) => {
				const words = text.replace(/[<&]/g, '');
				const after = PAGE.slice(0, at) + words + PAGE.slice(at);
				const path = byId(PAGE, id)?.path ?? [];
				expect(followPath(parsePage(PAGE), parsePage(after), path)).toEqual(byId(after, id)?.path);
			}
		)
	);
});
