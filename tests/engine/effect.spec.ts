import { join } from 'node:path';
import { pageBundle } from '../bundle.ts';
import { expect, test } from '../fixtures.ts';
import type { checkEffect } from './effect/inPage.ts';

declare global {
	var effectCheck: { checkEffect: typeof checkEffect };
}

const it = (style: string, inside = '<i>a</i> <b>b</b>', tag = 'div'): string =>
	`<${tag} data-it style="${style}">${inside}</${tag}>`;
const within = (parent: string, child: string): string =>
	`<div style="width: 300px; ${parent}">${child}<p>next</p></div>`;
const PICTURE = `<img style="width: 40px; height: 20px" src="data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='9' height='9'/%3E">`;

/** A longhand on the marked element, where it has no effect. */
const NOTHING: readonly (readonly [longhand: string, html: string])[] = [
	['align-items', it('height: 90px; align-items: center')],
	['justify-content', it('justify-content: flex-end')],
	['justify-items', it('display: flex; justify-items: end')],
	['align-self', within('', it('width: 50px; align-self: flex-end'))],
	['justify-self', within('display: flex', it('justify-self: end'))],
	['align-content', it('display: flex; height: 90px; align-content: center')],
	['align-content', it('display: flex; flex-direction: column; width: 200px; align-content: center')],
	['order', within('', it('order: 2'))],
	['flex-grow', within('display: grid', it('flex-grow: 1'))],
	['flex-basis', within('', it('flex-basis: 90px'))],
	['grid-column-start', within('display: flex', it('grid-column-start: 2'))],
	['order', within('display: flex; position: relative', it('position: absolute; order: 2'))],
	['top', it('top: 20px')],
	['left', within('display: flex', it('left: 20px'))],
	['z-index', it('z-index: 5')],
	['width', within('', it('width: 90px', 'words', 'span'))],
	['height', within('', it('height: 90px', 'words', 'a'))],
	['margin-top', within('', it('margin-top: 30px', 'words', 'span'))],
	['max-width', within('', it('max-width: 1px', 'words', 'em'))],
	['margin-top', within('height: 200px', it('height: 20px; margin-top: auto'))],
	['margin-bottom', within('height: 200px', it('height: 20px; margin-bottom: auto'))],
	['height', within('', it('height: 50%'))],
	['min-height', within('', it('min-height: 80%'))],
	['row-gap', it('row-gap: 30px', '<p>a</p><p>b</p>')],
	['column-gap', it('column-gap: 30px')],
	['object-fit', it('object-fit: cover', PICTURE)],
	['position', within('', it('position: sticky'))],
	['position', within('height: 400px; overflow: hidden', `<p>above</p>${it('position: sticky; top: 0')}`)],
	['float', within('display: flex', it('float: right'))],
	['clear', within('display: grid', it('clear: both'))],
	['vertical-align', within('height: 90px', it('height: 20px; vertical-align: middle'))],
	['align-items', within('display: flex; height: 90px', it('align-items: center', 'words'))],
	['justify-content', within('display: grid; height: 90px', it('justify-content: center', 'words'))],
	['vertical-align', within('display: flex; height: 90px', it('vertical-align: middle', 'words'))],
	['font-size', it('font-size: 40px', '<p style="font-size: 12px">a</p><h2 style="font-size: 20px">b</h2>')],
	['line-height', it('line-height: 3', '<p style="line-height: 1">a</p>')],
	['font-size', it('font-size: 40px', '<p style="font-size: 1.2rem">a</p>')]
];

/** The same where it has one. */
const SOMETHING: typeof NOTHING = [
	['align-items', it('display: flex; height: 90px; align-items: center')],
	['align-items', it('display: inline-grid; height: 90px; align-items: end')],
	['justify-content', it('display: flex; justify-content: flex-end')],
	['justify-items', it('display: grid; justify-items: end')],
	['align-self', within('display: flex; height: 90px', it('align-self: flex-end'))],
	['justify-self', within('display: grid', it('justify-self: end'))],
	['align-content', it('display: flex; flex-wrap: wrap; height: 90px; align-content: center')],
	['align-content', it('height: 90px; align-content: center')],
	['order', within('display: flex', it('order: 2'))],
	['flex-grow', within('display: flex', it('flex-grow: 1'))],
	['grid-column-start', within('display: grid', it('grid-column-start: 2'))],
	[
		'grid-column-start',
		within(
			'display: grid; grid-template-columns: 50px 50px; position: relative',
			it('position: absolute; left: 0; grid-column-start: 2')
		)
	],
	['top', it('position: relative; top: 20px')],
	['width', within('', it('width: 90px', 'words', 'button'))],
	['width', within('display: flex', it('width: 90px', 'words', 'span'))],
	['margin-top', within('', it('display: inline-block; margin-top: 30px', 'words', 'span'))],
	['margin-top', within('display: flex; height: 200px', it('height: 20px; margin-top: auto'))],
	['margin-top', within('height: 200px', it('height: 20px; margin-top: 9px'))],
	['height', within('height: 200px', it('height: 50%'))],
	['height', within('display: grid; height: 200px', it('height: 50%'))],
	['row-gap', it('display: grid; row-gap: 30px', '<p>a</p><p>b</p>')],
	['column-gap', it('column-count: 2; column-gap: 90px', '<p>a</p><p>b</p>')],
	['position', within('height: 400px', `<p>above</p>${it('position: sticky; top: 0')}`)],
	['float', within('', it('float: right'))],
	[
		'align-items',
		within('display: flex; height: 90px', it('display: flex; align-items: center', '<p>a</p>'))
	],
	['font-size', it('font-size: 40px', '<p style="font-size: 12px">a</p><p>b</p>')],
	['font-size', it('font-size: 40px', '<p style="font-size: 0.5em">a</p>')],
	['font-size', it('font-size: 40px', 'words <p style="font-size: 12px">a</p>')],
	[
		'vertical-align',
		within('', it('display: inline-block; height: 60px; vertical-align: middle', '', 'span'))
	]
];

test('what is said to do nothing moves nothing, and its like elsewhere does', async ({ page }) => {
	await page.setContent('<!doctype html><body>');
	await page.evaluate(await pageBundle(join(import.meta.dirname, 'effect/inPage.ts'), 'effectCheck'));
	const check = ([longhand, html]: (typeof NOTHING)[number]) =>
		page.evaluate(([text, name]) => globalThis.effectCheck.checkEffect(text, name), [
			html,
			longhand
		] as const);
	for (const one of NOTHING) {
		expect(await check(one), one.join(' on ')).toEqual({ said: true, moves: false });
	}
	for (const one of SOMETHING) {
		expect(await check(one), one.join(' on ')).toEqual({ said: false, moves: true });
	}
});
