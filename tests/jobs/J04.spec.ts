import { expect, test } from '../fixtures.ts';
import { atWork, boxIn, frameOf, type Beside } from './bench.ts';
import { settled } from '../rest.ts';

test('J04: from 860 type at 120 %, 7 % at the sides, the map beside its words as equal halves and in its own shape; narrower nothing moves', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'island.html', 'css/layout.css');
	/** Every box of the page, to a quarter of a px: how far it is scrolled leaves its trace in the last digits. */
	const boxes = (vantage: Beside) =>
		frameOf(page, vantage).evaluate(() =>
			[...document.querySelectorAll('body *')]
				.filter((one) => one.getClientRects().length > 0)
				.map((one) => one.getBoundingClientRect())
				.map(({ left, top, width, height }) =>
					[left, top + scrollY, width, height].map((side) => Math.round(4 * side) / 4).join(' ')
				)
		);
	expect(await settled(page, () => boxIn(page, 'Notebook', '.harbour .map'))).not.toBeNull();
	const before = { Handset: await boxes('Handset'), Slate: await boxes('Slate') };

	const from860 = { extent: 'from the width', at: 860 };
	await work.select('article.story', 'article.story');
	await work.collate('font-size', '120%', from860);
	await work.collate('padding-inline', '7%', from860);
	await work.select('img.map', 'img.map');
	await work.collate('width', '50%', from860);
	await work.collate('height', 'auto', from860);
	await work.collate('align-self', 'start', from860);
	await work.select('The harbour', 'div.words');
	await work.collate('flex', '1', from860);

	const story = await boxIn(page, 'Notebook', '.story');
	const styles = await frameOf(page, 'Notebook')
		.locator('.story')
		.evaluate((one) => [
			getComputedStyle(one).fontSize,
			getComputedStyle(one).paddingLeft,
			getComputedStyle(one).paddingRight
		]);
	expect(styles[0]).toBe('19.2px');
	for (const side of styles.slice(1)) expect(parseFloat(side)).toBeCloseTo(0.07 * (story?.width ?? 0), 1);
	const [map, words, row] = [
		await boxIn(page, 'Notebook', '.harbour .map'),
		await boxIn(page, 'Notebook', '.harbour .words'),
		await boxIn(page, 'Notebook', '.harbour')
	];
	expect(map?.width).toBeCloseTo((row?.width ?? 0) / 2, 0);
	expect((map?.width ?? 0) / (map?.height ?? 1)).toBeCloseTo(1.4, 2);
	expect(words?.left).toBeGreaterThanOrEqual(map?.right ?? Infinity);
	for (const vantage of ['Handset', 'Slate'] as const) expect(await boxes(vantage)).toEqual(before[vantage]);
	expect(await work.actions()).toBeLessThanOrEqual(49);
});
