import { expect, it } from 'vitest';
import { nameOfElement, parsePage } from '../html/index.ts';
import { alikeTo } from './index.ts';

const PAGE = parsePage(`<!doctype html><body>
<nav class=wide><a href=a>Sailings</a><a href=b>Boats</a></nav>
<details class=narrow><summary>Menu</summary><ul><li><a href=a>Sailings</a><li><a href=b>Boats</a></ul></details>
<div class=steps><button aria-label=Earlier></button></div>
<ul><li class=steps2><button aria-label=Earlier></button></ul>
<h2 class=long>The whole name of the line</h2><h2 class=short>The line</h2><p class=again><b>The whole name of the line</b></p>`);

const alike = (name: string): string[] => {
	const element = PAGE.elements.find((one) => nameOfElement(one) === name);
	return element ? alikeTo(PAGE, element).map(nameOfElement) : [];
};

it('names what says the same by its words, its label or its links, the outermost of each', () => {
	expect(alike('nav.wide')).toEqual(['details.narrow']);
	expect(alike('details.narrow')).toEqual(['nav.wide']);
	expect(alike('h2.long')).toEqual(['p.again']);
	expect(alike('h2.short')).toEqual([]);
	expect(alike('button')).toEqual(['button']);
});
