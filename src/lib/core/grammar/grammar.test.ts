import { expect, it } from 'vitest';
import { parseSheet } from '../css/index.ts';
import { INTENDED, intentsOf } from './intents.ts';
import { keywordsOf, lint, PROPERTY_NAMES, purposeOf } from './index.ts';

const said = (css: string): string[] => lint(parseSheet(css), () => false).map(({ sentence }) => sentence);

it.each([
	['a { colr: red }', ['There is no property `colr`; the nearest is `color`.']],
	['a { zzzzqq: red }', ['There is no property `zzzzqq`.']],
	['a { flex-direction: rows }', ['`flex-direction` does not take `rows`; the nearest is `row`.']],
	['a { display: flxe }', ['`display` does not take `flxe`; the nearest is `flex`.']],
	['a { width: 12 }', ['`12` wants a unit: `12px`?']],
	['a { margin: 0 3 0 1px }', ['`3` wants a unit: `3px`?']],
	['a { box-sizing: 3px }', ['`box-sizing` does not take `3px`; it takes `content-box`, `border-box`.']],
	[
		'a { font-size: clamp(2rem, 3vw, 20px) }',
		['The maximum 20px is below the minimum 2rem: it is 2rem at every width.']
	],
	[
		'a { min-width: 20rem; max-width: 300px }',
		['`max-width: 300px` is below `min-width: 20rem` of the same rule, which wins.']
	],
	[
		'@keyframes k { from { a { color: red } } }',
		['Only declarations may stand in a keyframe; this rule is dropped.']
	],
	['@font-face { a { color: red } }', ['Only declarations may stand in @font-face; this rule is dropped.']],
	[
		'a { style="color: red"; top: 0 }',
		['This is an attribute of HTML; a sheet wants what stands between its quotes.']
	],
	['@media (x) { a { b { wdith: 1px } } }', ['There is no property `wdith`; the nearest is `width`.']]
])('%s', (css, sentences) => {
	expect(said(css)).toEqual(sentences);
});

it.each([
	'a { --x: y; -webkit-z: 1; *zoom: 1; width: var(--w) calc(; color: light-dark(red, blue) }',
	'a { width: 0; inset: 0 auto; grid-template: "a b" 1fr / auto minmax(0, 1fr); text-wrap: balance }',
	'@font-face { font-family: x; src: url(y) } @page { size: a4 } @property --a { syntax: "*"; inherits: false }',
	'a { font-size: clamp(1rem, 2vw + 1px, 2rem); width: clamp(10vw, 3px, 5vw); margin: ; color: RED !important }'
])('nothing is said of %s', (css) => {
	expect(said(css)).toEqual([]);
});

it('what an engine takes is not wrong', () => {
	expect(lint(parseSheet('a { colr: red; width: 12 }'), () => true)).toEqual([]);
});

it('keywords come from the grammar', () => {
	expect(keywordsOf('flex-direction')).toEqual(['row', 'row-reverse', 'column', 'column-reverse']);
	expect(keywordsOf('grid-template-columns')).toEqual(
		expect.arrayContaining(['none', 'minmax(', 'repeat(', 'subgrid'])
	);
	expect(keywordsOf('nothing')).toEqual([]);
	expect(PROPERTY_NAMES).toContain('inset-inline-start');
});

it('nearly every standard property has a sentence of its own or of its family', () => {
	const without = PROPERTY_NAMES.filter((name) => purposeOf(name) === undefined);
	expect(without.length / PROPERTY_NAMES.length).toBeLessThan(0.15);
	expect(purposeOf('margin-left')).toContain('of the width around');
	expect(purposeOf('scroll-snap-type')).toContain('comes to rest');
	expect(purposeOf('padding')).toBe(purposeOf('padding-inline-start'));
	expect(purposeOf('--x')).toBeUndefined();
});

it('every property that is found by what people want is one that there is', () => {
	expect(INTENDED.filter((name) => !PROPERTY_NAMES.includes(name))).toEqual([]);
	expect(intentsOf('gap')[0]).toContain('even equal spacing');
	expect(intentsOf('orphans')).toEqual([]);
});
