import { expect, openBench, test } from '../fixtures.ts';
import { carriageTo, openType, panel, sizeIn } from '../type/setting.ts';
import { atWork, draftOf } from './bench.ts';
import { settled } from '../rest.ts';

test('J17: a whole type scale from body and ratio at both ends, written at once, with size classes beside levels', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'home.html', 'css/base.css');
	await openType(page, server, 1, '?page=home.html');
	const put = async (label: string, text: string): Promise<void> => {
		const field = page.getByRole('textbox', { name: label, exact: true });
		await field.fill(text);
	};
	await page.getByText('A scale', { exact: true }).click();
	await put('body, narrow end, px', '16');
	await put('Ratio at the narrow end', '1.2');
	await put('body, wide end, px', '19');
	await put('Ratio at the wide end', '1.25');
	// What is typed holds as soon as the field is left.
	await page.keyboard.press('Enter');
	await panel(page, 'Steps');
	await page.getByLabel('classes', { exact: true }).check();

	// All sizes at the carriage in one view, and the page has them at once.
	await work.aside(() => carriageTo(page, 850));
	const at850 = (step: number): number => 16 * 1.2 ** step + (19 * 1.25 ** step - 16 * 1.2 ** step) / 2;
	for (const [step, selector] of [
		[4, 'h1'],
		[2, 'h3.name'],
		[0, 'body']
	] as const) {
		expect(await settled(page, () => sizeIn(page, selector))).toBeCloseTo(at850(step), 1);
		const shown = String(Number(at850(step).toFixed(1)));
		await expect(page.locator('.read', { hasText: new RegExp(`^${shown}$`) })).toBeVisible();
	}
	// What is set elsewhere and still wins is listed, and taken out along.
	const lines = await panel(page, 'Lines');
	const winner = lines.getByRole('listitem').filter({ hasText: '.notice h2' });
	await expect(winner).toContainText(/css:\d+/);
	await winner.getByRole('button', { name: 'remove it too' }).click();
	await expect(winner).toHaveCount(0);
	expect(await settled(page, () => sizeIn(page, '.notice h2'))).toBeCloseTo(at850(3), 1);
	await page.getByRole('button', { name: 'Write into base.css' }).click();

	const base = () => draftOf(server, 'css/base.css');
	expect(await settled(page, base)).toContain('--size-title: clamp(2.074rem, ');
	const text = await base();
	// One block, each element's own rule where it stood, what it said from 1400 on gone with it.
	expect(text).toMatch(/--step: 1\.25;\n {2}--size-title: clamp\([^;]+;\n {2}--size-heading: /);
	expect(text).toContain('h1 { font-size: var(--size-title); }');
	expect(text).toContain('h2 { font-size: var(--size-heading); }');
	expect(text).not.toContain('font-size: 2.75rem');
	expect(text).toContain('.size-title { font-size: var(--size-title); }');
	expect(await draftOf(server, 'css/layout.css')).not.toMatch(/\.notice h2 \{[^}]*font-size/);

	// A third level that looks like a first keeps its level.
	await openBench(page, server, 1, '?page=home.html&file=home.html');
	await work.select('Serk', 'h3.name');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+I');
	await page.getByLabel('Name of a new attribute').fill('class');
	await page.getByLabel('Value of a new attribute').fill('name size-title');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('dialog', { name: 'What would be written' })).toContainText('size-title');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => sizeIn(page, 'h3.size-title'))).toBeCloseTo(await sizeIn(page, 'h1'), 2);
	expect(await work.actions()).toBeLessThanOrEqual(22);
});
