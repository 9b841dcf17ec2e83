import { expect, test } from '../fixtures.ts';
import { openType, panel } from '../type/setting.ts';
import { atWork, frameOf, type Beside } from './bench.ts';
import { settled } from '../rest.ts';

test('J20: “from” before a fare at 0.6 of the fare’s size in every vantage, nested in a relative size too', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'boats.html', 'css/sailings.css');
	const ratio = (vantage: Beside, selector: string) =>
		frameOf(page, vantage)
			.locator(selector)
			.first()
			.evaluate((one) => {
				const size = (of: Element | null) => parseFloat(of ? getComputedStyle(of).fontSize : '');
				return size(one) / size(one.parentElement);
			});
	await work.select('from', 'span.from');
	await work.collate('font-size', '0.6em', { into: /\.from in|new: \.from/, extent: 'everywhere' });
	for (const vantage of ['Handset', 'Slate', 'Notebook'] as const) {
		expect(await settled(page, () => ratio(vantage, '.card .from'))).toBeCloseTo(0.6, 4);
		expect(await settled(page, () => ratio(vantage, '.fare .child .from'))).toBeCloseTo(0.6, 4);
	}
	expect(await work.actions()).toBeLessThanOrEqual(9);

	// At every width, read off; its place within another relative size is told.
	await openType(page, server, 1, '?page=boats.html');
	const sizes = await panel(page, 'Sizes');
	const own = sizes.getByRole('button', { name: /^\.from/ });
	for (let i = 0; i < (await own.count()); i++) {
		await own.nth(i).click();
		await expect(sizes).toContainText('0.6 of the size around it at every width');
	}
	await expect(await panel(page, 'Checks')).toContainText(
		'0.6em of 0.8em around it: 0.48 of the size beyond.'
	);
});
