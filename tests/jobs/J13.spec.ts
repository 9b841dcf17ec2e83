import { expect, test } from '../fixtures.ts';
import { carriageTo, openType, panel, sizeIn } from '../type/setting.ts';
import { actionsOn } from './actions.ts';
import { draftOf } from './bench.ts';
import { settled } from '../rest.ts';

test('J13: a fluid title from three numbers, each judged at its own width on the page, both knees read off, zoom checked', async ({
	page,
	server
}) => {
	const actions = await actionsOn(page);
	await openType(page, server, 1, '?page=home.html');
	actions.begin();
	// By the window alone it is deaf to zoom at every width: said before anything is done.
	const checks = await panel(page, 'Checks');
	await expect(checks).toContainText('h1 It cannot reach 200 % by zoom up to 500 %, 240–2560');
	const sizes = await panel(page, 'Sizes');
	await sizes.getByRole('button', { name: /^h1/ }).click();
	await sizes.getByRole('button', { name: 'Set this size from three numbers' }).click();

	const field = (name: string) => page.getByRole('textbox', { name, exact: true });
	// The smallest, on the handset; the field itself goes to the next vantage.
	await field('smallest, px').focus();
	const carriage = page.getByLabel('Width of the carriage, px');
	for (let i = 0; i < 9 && (await carriage.inputValue()) !== '400'; i++)
		await page.keyboard.press('PageDown');
	await field('smallest, px').fill('28');
	await field('smallest, px').press('Enter');
	expect(await settled(page, () => sizeIn(page, 'h1'))).toBeCloseTo(28, 1);
	await expect(field('smallest: judged at, px of width')).toHaveValue('400');
	// The largest, on the notebook.
	for (let i = 0; i < 9 && (await carriage.inputValue()) !== '1300'; i++)
		await page.keyboard.press('PageDown');
	await field('largest, px').fill('60');
	await field('largest, px').press('Enter');
	expect(await settled(page, () => sizeIn(page, 'h1'))).toBeCloseTo(60, 1);
	// The middle by the window alone does not meet them there, and says so at once.
	const middle = page.getByRole('combobox', { name: 'Middle' });
	await carriageTo(page, 800);
	await middle.selectOption('at');
	await field('Middle, px').fill('40');
	await field('Middle, px').press('Enter');
	const numbers = page.getByRole('tabpanel', { name: 'Three numbers' });
	await expect(numbers).toContainText('stays constant under 560 and from 1200');
	await expect(numbers).toContainText('the smallest was judged at 400, the largest at 1300');
	// Straight between them it does.
	await middle.selectOption('between');
	await expect(numbers).toContainText(
		/stays constant under (400|399\.\d+|400\.\d+) and from (1300|1299\.\d+|1300\.\d+)/
	);
	await page.getByLabel(/go into the sheet as a comment/).check();

	for (const [width, size] of [
		[320, 28],
		[850, 44],
		[1600, 60]
	] as const) {
		await actions.aside(() => carriageTo(page, width));
		expect(await settled(page, () => sizeIn(page, 'h1'))).toBeCloseTo(size, 1);
	}
	await expect(await panel(page, 'Checks')).toContainText('every size reaches 200 % by zoom');
	await page.getByRole('button', { name: 'Write into base.css' }).click();
	expect(await settled(page, () => draftOf(server, 'css/base.css'))).toMatch(
		/\/\* Judged at: 28px at 400, 60px at 1300[^*]*\*\/\n(?:\/\*[^*]*\*\/\n)?h1 \{[^}]*font-size: clamp\(1\.75rem, 0\.86\d*rem \+ 3\.55\d*vw, 3\.75rem\)/
	);
	expect(await actions.count()).toBeLessThanOrEqual(24);
});
