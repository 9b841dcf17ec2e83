import { expect, it } from 'vitest';
import { parseSheet, walk } from '../css/index.ts';
import { wholeSelector } from './index.ts';

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
