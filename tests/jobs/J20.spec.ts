import { expect, test } from '../fixtures.ts';
import { atWork, frameOf, type Beside } from './bench.ts';

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
		await expect.poll(() => ratio(vantage, '.card .from')).toBeCloseTo(0.6, 4);
		await expect.poll(() => ratio(vantage, '.fare .child .from')).toBeCloseTo(0.6, 4);
	}
	expect(work.actions()).toBeLessThanOrEqual(9);
});
