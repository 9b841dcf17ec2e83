import { expect, test } from '../fixtures.ts';
import { carriageTo } from '../type/setting.ts';
import { atWork, frameOf, panel, reached, traced, wake, type Beside } from './bench.ts';
import { settled } from '../rest.ts';

test('J14: a size set on the wrapper does nothing where the child has its own, and both places say so', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'sailings.html', 'css/sailings.css');
	await work.select('p.line', 'p.line');
	await work.ask('Shift+T');
	const traces = await traced(page, 'font-size');
	await expect(traces).toContainText('font-size: 1.2rem of .corner .line');
	await expect(traces).toContainText('div.corner around it has font-size: 0.9rem at sailings.css:91');
	await expect(traces).toContainText('it does not reach this element, which has its own');
	await traces.getByRole('button', { name: 'sailings.css:91' }).click();
	const line = page.locator('.cm-activeLine');
	await expect(line).toContainText('.corner { font-size: 0.9rem; }');
	await expect(line.locator('.cm-dele')).toHaveAttribute(
		'title',
		/all of that \(p\) has its own: it reaches no words/
	);

	// The heading of departures, with how far each selector for it reaches.
	await work.select('this afternoon', 'h2');
	await work.ask('Shift+R');
	await expect(reached(page, '.board h2').nth(1)).toHaveText(/^\d+$/);
	await panel(page).getByLabel('would win').fill('font-size');
	await expect(reached(page, '.board h2').first()).toContainText(/would (win|lose)/);
	expect(await work.actions()).toBeLessThanOrEqual(12);

	// Smaller under 560, a threshold that no sheet has yet; wide is as it was.
	const size = (vantage: Beside) =>
		frameOf(page, vantage)
			.locator('.board h2')
			.first()
			.evaluate((one) => getComputedStyle(one).fontSize);
	await work.aside(async () => {
		await carriageTo(page, 560);
		await page.getByText(/^Holds/).click();
		await page.getByRole('combobox', { name: 'Hold' }).selectOption('from here up');
		await page.getByRole('button', { name: 'Hold it' }).click();
		await expect(page.locator('.stretch.held')).toHaveCount(1);
		await carriageTo(page, 390);
	});
	const wide = [await size('Slate'), await size('Notebook')];
	expect(await size('Handset')).toBe('38.4px');
	await work.collate('font-size', '1.5rem', { extent: 'under the width', at: 560 });
	expect(await settled(page, () => size('Handset'))).toBe('24px');
	expect([await size('Slate'), await size('Notebook')]).toEqual(wide);
	await expect(page.getByRole('button', { name: /^Threshold .*560/ })).toBeVisible();
	expect(await work.actions()).toBeLessThanOrEqual(18);
	// What is wider was held, and is proved unchanged.
	await expect(wake(page)).toContainText(/h2, 240–<560/);
	await page.getByText(/^Holds/).click();
	await expect(page.getByRole('listitem').filter({ hasText: '≥560' })).toContainText('✓ as it was');
	await expect(wake(page)).not.toContainText('Hold broken');
	await page
		.getByRole('listitem')
		.filter({ hasText: '≥560' })
		.getByRole('button', { name: 'Delete' })
		.click();
	await expect(page.locator('.stretch.held')).toHaveCount(0);
});
