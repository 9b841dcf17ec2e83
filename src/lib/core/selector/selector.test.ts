import { expect, it } from 'vitest';
import { parseSheet, walk } from '../css/index.ts';
import { keyOf, nearMisses, specificityOf, statesOf, wholeSelector } from './index.ts';

const whole = (source: string): string[] =>
	[...walk(parseSheet(source))].flatMap((node) => (node.kind === 'rule' ? wholeSelector(source, node) : []));

it.each([
	['a, b > c {}', ['a, b > c']],
	[
		'a, b { i {} > u {} &.x {} :not(&) {} }',
		['a, b', ':is(a, b) i', ':is(a, b) > u', ':is(a, b).x', ':not(:is(a, b))']
	],
	[
		'a { @media (x) { b, & + & { i {} } } }',
		['a', ':is(a) b, :is(a) + :is(a)', ':is(:is(a) b, :is(a) + :is(a)) i']
	],
	['a { [x="&, y"], :is(p, q) {} }', ['a', ':is(a) [x="&, y"], :is(a) :is(p, q)']]
])('%s', (source, selectors) => {
	expect(whole(source)).toEqual(selectors);
});

it.each([
	['*', [0, 0, 0]],
	['li', [0, 0, 1]],
	['svg|a', [0, 0, 1]],
	['ul ol li.red', [0, 1, 3]],
	['#s12:not(FOO)', [1, 0, 1]],
	['.foo :is(.bar, #baz)', [1, 1, 0]],
	[':where(#a, .b) c', [0, 0, 1]],
	['a:has(> img, .x.y)', [0, 2, 1]],
	[':nth-child(2n + 1 of li, .a#b)', [1, 2, 0]],
	['a::before', [0, 0, 2]],
	['a:before', [0, 0, 2]],
	['[x="#a .b"]:lang(de)', [0, 2, 0]],
	['.\\31 a\\.b', [0, 1, 0]],
	['a:not(.b):hover > b + c ~ d', [0, 2, 4]],
	['::slotted(.a b)', [0, 1, 2]]
] as const)('specificity of %s', (selector, expected) => {
	expect(specificityOf(selector)).toEqual(expected);
});

it.each([
	['a.b#c', 'id c'],
	['#c a.b', 'class b'],
	['a > b', 'type b'],
	['.x :is(.y)', 'any '],
	['a:hover', 'type a'],
	['.a::before', 'class a'],
	['.\\31 0', 'class 10'],
	['.a ', 'class a'],
	['svg|circle', 'type circle']
])('%s is found by %s', (selector, expected) => {
	const { kind, name } = keyOf(selector);
	expect(`${kind} ${name}`).toBe(expected);
});

it('states are told apart', () => {
	expect(statesOf('a:hover > b:focus-within::before, c:first-child')).toEqual({
		now: 'a[data-vantaggio-hover] > b[data-vantaggio-focus-within]::before, c:first-child',
		given: 'a:is(*) > b:is(*)::before, c:first-child',
		states: [':hover', ':focus-within']
	});
});

it.each([
	['.card .wide', ['.card.wide', '.card']],
	['.card.wide', ['.card .wide']],
	['ul > .card', ['ul .card', 'ul']],
	['.hero + p', ['.hero p', '.hero']],
	['#card', ['.card']],
	['.crad b', ['.card b', '.crad']],
	['main > ul.list li:hover', ['main ul.list li:hover', 'main > ul .list li:hover', 'main']],
	['a[x=".b .c"]', []]
])('near misses of %s', (selector, expected) => {
	const found = nearMisses(selector, { classes: ['card', 'wide', 'list', 'hero'], ids: ['top'] });
	expect(found.map((one) => one.selector)).toEqual(expect.arrayContaining(expected));
	expect(found.some((one) => one.selector === selector)).toBe(false);
	if (expected.length === 0) expect(found).toEqual([]);
});
