import { expect, test } from '../fixtures.ts';
import { atWork, frameOf, type Beside } from './bench.ts';
import { settled } from '../rest.ts';

test('J09: a heading on its side from 720 up, level below; without the condition it stands on its side there too', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'island.html', 'css/layout.css');
	/** The heading’s writing mode, and how far its text stands from the first line beside or below it, px. */
	const stands = (vantage: Beside) =>
		frameOf(page, vantage)
			.locator('.side')
			.evaluate((side) => {
				const box = side.getBoundingClientRect();
				const range = document.createRange();
				range.selectNodeContents(side.nextElementSibling as Element);
				const [line] = range.getClientRects();
				const { writingMode } = getComputedStyle(side);
				return { writingMode, right: (line?.left ?? 0) - box.right, below: (line?.top ?? 0) - box.bottom };
			});
	const { writingMode } = await stands('Handset');
	expect(writingMode).toBe('vertical-rl');
	await work.select('h2.side', 'h2.side');
	await work.collate('writing-mode', 'horizontal-tb', { extent: 'under the width', at: 720 });
	await work.collate('float', 'none', { extent: 'under the width', at: 720 });
	expect(await settled(page, async () => (await stands('Handset')).writingMode)).toBe('horizontal-tb');
	expect(await settled(page, async () => (await stands('Handset')).below)).toBeGreaterThanOrEqual(0);
	for (const vantage of ['Slate', 'Notebook'] as const) {
		const { writingMode: mode, right } = await stands(vantage);
		expect([mode, right >= 0]).toEqual(['vertical-rl', true]);
	}
	// Both in one block, and that out of force.
	await page.getByTitle('Make the lead Handset, the carriage at 400 px').click();
	await work.ask('r');
	await expect(page.locator('.cm-activeLine')).toContainText('.story .side');
	await page.getByText('Vantaggio', { exact: true }).click();
	await work.ask('m');
	expect(await settled(page, async () => (await stands('Handset')).writingMode)).toBe('vertical-rl');
	expect(await work.actions()).toBeLessThanOrEqual(22);
});
