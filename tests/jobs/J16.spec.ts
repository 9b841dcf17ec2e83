import { expect, test } from '../fixtures.ts';
import { atWork, frameOf, type Beside } from './bench.ts';
import { settled } from '../rest.ts';

test('J16: the winter notice takes another picture on narrow; the placeholder for slate is pointed out, the picture on wide stays', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'home.html', 'css/layout.css');
	const picture = (vantage: Beside) =>
		frameOf(page, vantage)
			.locator('.winter')
			.evaluate((one) => {
				const { backgroundImage, backgroundSize } = getComputedStyle(one);
				return [backgroundImage.replace(/^.*\/(.*)"\)$/, '$1'), backgroundSize];
			});
	expect(await picture('Notebook')).toEqual(['winter.webp', 'cover']);
	await work.select('div.notice.winter', 'div.notice.winter');
	await work.collate('background-image', 'url(../img/light-tall.svg)', {
		into: /^\.notice\.winter in/,
		extent: 'under the width',
		at: 700
	});
	expect(await settled(page, () => picture('Handset'))).toEqual(['light-tall.svg', 'cover']);
	expect(await picture('Notebook')).toEqual(['winter.webp', 'cover']);
	expect(await picture('Slate')).toEqual(['PLACEHOLDER-slate.webp', 'cover']);
	expect(await work.actions()).toBeLessThanOrEqual(10);
});
