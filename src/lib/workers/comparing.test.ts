import fc from 'fast-check';
import { expect, test } from 'vitest';
import { contains, printIntervalSet, rationalFromNumber } from '../core/interval/index.ts';
import { PLAIN, NO_SWITCHES, seenVantage } from '../core/vantage/index.ts';
import { Comparing } from './comparing.ts';
import { TextKeeper, TextSender } from './texts.ts';

const as = seenVantage(PLAIN, NO_SWITCHES);
const page = (body: string): string =>
	`<!doctype html><link rel=stylesheet href=a.css><style>b { top: 0 }</style><body>${body}`;
const texts = (css: string, body = '<ul><li id=x><b>w</b></li></ul>'): Map<string, string> =>
	new Map([
		['a.html', page(body)],
		['b.html', '<p>x'],
		['a.css', css]
	]);

function asked(before: Map<string, string>, after: Map<string, string>, path = 'a.html') {
	const [was, is] = new TextSender().send(before, after);
	const files = [...after.keys()].filter((file) => before.get(file) !== after.get(file));
	return structuredClone(new Comparing().edit({ path, before: was, after: is, files, as }));
}

test('an edit reports the widths at which it can have an effect, in values that can be copied between threads', () => {
	const rule = '@media (width < 700px) { li, li:hover b { margin: 1px } }';
	const edit = asked(texts(''), texts(rule));
	expect(edit).toMatchObject({
		concerns: true,
		beyond: false,
		properties: ['margin'],
		selectors: ['li', 'li:is(*) b']
	});
	expect(printIntervalSet(edit.reach)).toBe('<700');
	expect(edit.cuts).toHaveLength(1);
	expect(edit.written).toEqual([
		{
			property: 'margin',
			value: '1px',
			important: false,
			file: 'a.css',
			selectors: ['li', 'li:hover b'],
			isOfRule: true
		}
	]);
	expect(asked(texts(''), texts(rule), 'b.html')).toMatchObject({ concerns: false, properties: [] });
});

test.each([
	['markup', texts(''), texts('', '<p>other')],
	['fonts', texts(''), texts('@font-face { font-family: x }')],
	['layers', texts('@layer a, b;'), texts('@layer b, a;')]
])('an edit of %s can reach everything', (_, before, after) => {
	const edit = asked(before, after);
	expect([edit.beyond, contains(edit.reach, rationalFromNumber(1))]).toEqual([true, true]);
});

test('another page’s markup is nothing to a page that does not use it', () => {
	const other = new Map([...texts(''), ['b.html', '<p>y @font-face { x: y }']]);
	expect(asked(texts(''), other)).toMatchObject({ concerns: false, beyond: false });
});

test('what frames are given, and what elements are called, by the page before where they are gone', () => {
	const [comparing, sender] = [new Comparing(), new TextSender()];
	const [was, is] = sender.send(texts('b { color: red }'), texts('b { color: tan }', '<ul class=new></ul>'));
	expect(comparing.content('a.html', was, '/', as).sheets.map(({ text }) => text)).toEqual([
		'b { color: red }',
		'b { top: 0 }'
	]);
	expect(comparing.content('a.html', is, '/', as).sheets[0]?.text).toBe('b { color: tan }');
	expect(comparing.outermost('a.html', was, is, ['1.0', '1.0.0', '1.0.0.0', '0.1'])).toEqual([
		{ path: '1.0', inside: 2, name: 'ul.new' },
		{ path: '0.1', inside: 0, name: 'style' }
	]);
	expect(comparing.outermost('a.html', was, is, ['1.0.0'])[0]?.name).toBe('li#x');
});

test('texts come out as they were put in, however they change', () => {
	const text = fc.string({ unit: fc.constantFrom('a', 'b', '\n', '😀'), maxLength: 12 });
	const some = fc.dictionary(fc.constantFrom('a', 'b', 'c'), text).map((all) => new Map(Object.entries(all)));
	fc.assert(
		fc.property(fc.array(fc.tuple(some, some), { maxLength: 120 }), (pairs) => {
			const [sender, keeper] = [new TextSender(), new TextKeeper()];
			for (const pair of pairs)
				expect(sender.send(...pair).map((one) => keeper.take(structuredClone(one)))).toEqual(pair);
		}),
		{ numRuns: 60 }
	);
});

test('a text that changes is sent as its change, and one that is long out of use is forgotten on both sides', () => {
	const [sender, keeper] = [new TextSender(), new TextKeeper()];
	let last = '';
	let sent = 0;
	for (let i = 0; i < 300; i++) {
		const next = `${last}line ${i}\n`;
		for (const one of sender.send(new Map([['a', last]]), new Map([['a', next]]))) {
			keeper.take(one);
			sent += one.made.reduce((sum, { change }) => sum + change.text.length, 0);
		}
		last = next;
	}
	expect(sent).toBe(last.length);
	expect(keeper.size).toBeLessThan(80);
});
