import { expect, it } from 'vitest';
import { caretAt } from './index.ts';

/** A sheet so long that it is read by parts. */
const ABOVE = '@media (x) { a { b: c } }\na { b: "}" }\n'.repeat(300);

it.each([
	['|', 'selector', ''],
	['na|', 'selector', 'na'],
	['.sa|', 'class', 'sa'],
	['a:not(.sa|', 'class', 'sa'],
	['main #|', 'id', ''],
	['a { |', 'property', ''],
	['a { col|', 'property', 'col'],
	['a { b: c; col|or: red }', 'property', 'col'],
	['a { color: r|', 'value color', 'r'],
	['a { --x: 1; grid-area: 1 / s|', 'value grid-area', 's'],
	['a { width: calc(var(--|', 'custom-property', '--'],
	['@me|', 'at-rule', '@me'],
	['@media (wid|', 'media', 'wid'],
	['@media (x) { a { b: c } .d|', 'class', 'd'],
	['a { b { c: d } e|', 'property', 'e'],
	['a { /* colo|', undefined, ''],
	['a { content: "x|', undefined, ''],
	['a { b: "c;{" ; d|', 'property', 'd']
])('%s', (marked, kind, word) => {
	const offset = marked.indexOf('|');
	const text = marked.replace('|', '');
	const caret = caretAt(text, offset);
	const found = caret?.kind === 'value' ? `value ${caret.property}` : caret?.kind;
	expect([found, caret?.word ?? '']).toEqual([kind, word]);
	const below = caretAt(ABOVE + text, ABOVE.length + offset);
	expect(below).toEqual(caret && { ...caret, from: caret.from + ABOVE.length });
});
