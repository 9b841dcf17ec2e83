import { done } from '../core/text/index.ts';
import { expect, test } from 'vitest';
import { Reading } from './reading.ts';
import { printIntervalSet } from '../core/interval/index.ts';
import { NO_SWITCHES, PLAIN, seenVantage } from '../core/vantage/index.ts';
import { TextSender } from './texts.ts';

function reader() {
	const [reading, sender] = [new Reading(), new TextSender()];
	const send = (texts: Record<string, string>) =>
		structuredClone(sender.send(new Map(Object.entries(texts)))[0]);
	return {
		reading,
		send,
		remarks: (text: string, kind: 'page' | 'sheet' = 'sheet', limit: string | null = null) =>
			structuredClone(reading.remarks('a', send({ a: text }), kind, limit)),
		search: (texts: Record<string, string>, words: string, most = 9, pattern = false) =>
			structuredClone(reading.search(send(texts), { words, pattern, matchCase: true }, most))
	};
}

test('a remark that depends on the engine is held back until the engine has answered', () => {
	const { reading, remarks } = reader();
	const css = 'a { colr: red; width: 3foo; top: 0 }';
	const first = remarks(css);
	expect(first.unknown).toEqual([
		['colr', 'inherit'],
		['width', '3foo']
	]);
	expect(first.remarks).toEqual([]);
	reading.takeAnswers([
		['colr', 'inherit', false],
		['width', '3foo', true]
	]);
	expect(remarks(css)).toEqual({
		remarks: [{ at: 4, sentence: 'There is no property `colr`; the nearest is `color`.' }],
		unknown: []
	});
});

test('remarks on the style elements of a page count lines from its beginning', () => {
	const { remarks } = reader();
	const page = '<!doctype html>\n<p>\n<style>\na { top: 0 }\nb {\n</style>';
	const [broken] = remarks(page, 'page').remarks.filter(({ sentence }) => /line/.test(sentence));
	expect(broken?.sentence).toMatch(/line 5/);
	expect(page.slice(broken?.at)).toBe('{\n</style>');
});

test('what not every engine has had since a date is said once the table is there', () => {
	const { reading, remarks } = reader();
	const said = () => remarks('a { gap: 1px }', 'sheet', '2015-01-01').remarks.length;
	expect(said()).toBe(0);
	reading.takeTable({ 'properties.gap': '2017-10-17' });
	expect(said()).toBe(1);
	expect(remarks('a { gap: 1px }').remarks).toEqual([]);
});

test('what is in force, and what names there are, are told of the texts that were sent last', () => {
	const { reading, send } = reader();
	const page = { 'a.html': '<link rel=stylesheet href=a.css media="(width < 900px)"><p class=x id=y>' };
	const css =
		'p { top: 0 }\n@media (width >= 600px) { .z { --n: 1px } }\n@media (width >= 900px) { b { top: 0 } }';
	const as = seenVantage(PLAIN, NO_SWITCHES);
	const force = (text: string) => {
		const texts = send({ ...page, 'a.css': text });
		const { rules, notes } = structuredClone(reading.force({ path: 'a.html', texts, as }, 'a.css'));
		return [
			rules.map(({ span, widths }) => `${span.start} ${printIntervalSet(widths)}`),
			notes.map(({ at, words }) => `${at} ${words}`)
		];
	};
	expect(force(css)).toEqual([
		['0 <900', '13 600–<900', '39 600–<900', '57 no width', '83 no width'],
		['36 600–<900', '80 never: what is around it holds <900']
	]);
	// As a change of what it has, with the places moved by it.
	expect(force(`/**/${css.replace('600', '700')}`)[1]?.[0]).toBe('40 700–<900');
	const names = structuredClone(reading.names('a.html', send({ ...page, 'a.css': css })));
	expect(names).toMatchObject({ classes: ['x'], ids: ['y'], tags: expect.arrayContaining(['p']) });
	expect([...names.customProperties]).toEqual([['--n', '1px']]);
	expect([...names.styled.keys()]).toEqual(['z']);
});

test('a search counts everything and lists the first lines', () => {
	const { search } = reader();
	const texts = { 'a.css': 'b { top: 0 }\n  b { left: 0 }\n', 'b.css': 'a {}', 'c.css': 'b' };
	expect(search(texts, 'b', 2)).toEqual(
		done({
			counts: [
				['a.css', 2],
				['c.css', 1]
			],
			lines: [
				{ path: 'a.css', start: 0, line: 1, words: 'b { top: 0 }' },
				{ path: 'a.css', start: 15, line: 2, words: 'b { left: 0 }' }
			]
		})
	);
	expect(search(texts, '')).toEqual(done({ counts: [], lines: [] }));
	expect(search(texts, '(', 9, true)).toMatchObject({
		ok: false,
		sentence: expect.stringMatching(/regular expression/)
	});
});
