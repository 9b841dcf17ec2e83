import { expect, it } from 'vitest';
import { addTo, numberAt } from './number.ts';

it.each([
	['a { b: 1|2px }', '12'],
	['a { b: |-.5em }', '-.5'],
	['a { b: 50%| }', '50'],
	['a { b: c(3|, 4) }', '3'],
	['a { b: "1|2" }', undefined],
	['/* 1|2 */', undefined],
	['a { b: 1e|3px }', undefined],
	['a { b: #12|3 }', undefined],
	['@media (width >= 70|0px) {}', '700']
])('the number at the caret: %s', (marked, text) => {
	const offset = marked.indexOf('|');
	expect(numberAt(marked.replace('|', ''), offset)?.text).toBe(text);
});

it.each([
	['12', 1, '13'],
	['0', -1, '-1'],
	['1', -1, '0'],
	['.5', 0.1, '.6'],
	['-0.1', 0.1, '0.0'],
	['1.25', 0.1, '1.35'],
	['0.3', -0.1, '0.2'],
	['1', 0.1, '1.1'],
	['1.90', 0.1, '2.00'],
	['+3', 1, '+4'],
	['599.98', 10, '609.98']
])('%s and %d is %s', (text, step, sum) => {
	expect(addTo(text, step)).toBe(sum);
});
