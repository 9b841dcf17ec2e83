import { expect, framesShown, openBench, pageFrames, test, type Page } from '../fixtures.ts';
import { settled } from '../rest.ts';

const carriage = (page: Page) => page.getByRole('slider', { name: 'Carriage' });
const at = (page: Page, width: number) =>
	expect(carriage(page)).toHaveAttribute('aria-valuenow', String(width));

test.beforeEach(async ({ page, server }) => {
	await openBench(page, server);
});

test('the carriage is typed, stepped, dragged and jumped, and the lead follows at the true width', async ({
	page
}) => {
	const field = page.getByLabel('Width of the carriage, px');
	await field.fill('500');
	await field.press('Enter');
	await at(page, 500);
	expect(await settled(page, () => pageFrames(page)[0]?.evaluate(() => innerWidth))).toBe(500);
	await page.keyboard.press('n');
	await at(page, 499);
	await page.keyboard.press('Shift+W');
	await at(page, 509);
	await page.keyboard.press('b');
	await at(page, 600);
	await page.keyboard.press('b');
	await at(page, 700);
	await page.keyboard.press('b');
	await at(page, 1000);
	await page.keyboard.press('Shift+B');
	await at(page, 700);
	await field.fill('99999');
	await field.press('Enter');
	await at(page, 2560);
	await field.fill('wide');
	await field.press('Enter');
	await at(page, 2560);
	const stop = await carriage(page).boundingBox();
	if (!stop) throw new Error('The carriage is not shown.');
	await page.mouse.move(stop.x + 7, stop.y + 19);
	await page.mouse.down();
	await page.mouse.move(stop.x - 400, stop.y + 19, { steps: 5 });
	await page.mouse.up();
	const dragged = Number(await carriage(page).getAttribute('aria-valuenow'));
	expect(dragged).toBeGreaterThan(900);
	expect(dragged).toBeLessThan(1500);
	expect(await settled(page, () => pageFrames(page)[0]?.evaluate(() => innerWidth))).toBe(dragged);
	await page.getByTitle('Make the lead Handset, the carriage at 400 px').click();
	await at(page, 400);
	await expect(page.getByLabel('Height of the window, px')).toHaveValue('800');
});

test('a threshold tells every line that causes it, and a click goes there', async ({ page }) => {
	await page.getByRole('button', { name: 'Threshold 599 | 600' }).hover();
	const causes = page.locator('.card');
	await expect(causes).toContainText('the width itself is still below');
	await expect(causes).toContainText('the width itself is already above');
	await expect(causes.getByRole('button', { name: '(max-width: 599px) layout.css' })).toBeVisible();
	await causes.getByRole('button', { name: '(min-width: 600px) base.css' }).first().click();
	await expect(page.getByRole('tab', { name: 'base.css' })).toHaveAttribute('aria-selected', 'true');
	await expect(page.locator('.cm-activeLine')).toHaveText('@media (min-width: 600px) {≥600');
	await expect(
		page.getByRole('button', { name: 'Neither half of a breakpoint holds at 599<–<600' })
	).toBeVisible();
});

test('conditions that are no widths are told apart', async ({ page }) => {
	await page.getByText('2 other conditions').click();
	await page.getByRole('button', { name: '@container (width < 320px) layout.css' }).click();
	await expect(page.locator('.cm-activeLine')).toHaveText('@container (width < 320px) {');
});

test('a frame whose bands are not the Measure’s says so', async ({ page }) => {
	const handset = page.locator('.words', { hasText: 'Handset' });
	const condition = handset.getByRole('button', {
		name: /\(hover: hover\) and \(min-width: 1000px\) layout\.css:\d+/
	});
	// Hovering the mark shows them, until the pointer leaves; a click keeps them.
	const mark = handset.getByText(/^≠ \d+$/);
	await mark.hover();
	await expect(condition).toBeVisible();
	await page.mouse.move(5, 400);
	await expect(condition).toBeHidden();
	await mark.click();
	await page.mouse.move(5, 400);
	await expect(condition).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(condition).toBeHidden();
	await page.keyboard.press('Enter');
	await expect(condition).toBeVisible();
	await condition.click();
	await expect(page.locator('.cm-activeLine')).toContainText('(hover: hover)');
});

test('each rule shows where it is in force, and is pale where it is not', async ({ page }) => {
	const field = page.getByLabel('Width of the carriage, px');
	const line = page.locator('.cm-line', { hasText: 'flex-direction: row-reverse' });
	await field.fill('700');
	await field.press('Enter');
	await expect(line).not.toHaveClass(/cm-pale/);
	await page.keyboard.press('n');
	await expect(line).toHaveClass(/cm-pale/);
	await expect(page.locator('.cm-force').nth(0)).toHaveAttribute('title', 'in force: every width');
	await expect(page.getByTitle('in force: ≥700').first()).toBeVisible();
});

test('plain letters do nothing while typing', async ({ page }) => {
	const before = await carriage(page).getAttribute('aria-valuenow');
	await page.locator('.cm-content').click();
	await page.keyboard.type('nwb');
	await expect(carriage(page)).toHaveAttribute('aria-valuenow', before ?? '');
	await expect(page.locator('.cm-activeLine')).toContainText('nwb');
	for (let i = 0; i < 3; i++) await page.keyboard.press('Backspace');
});

test('the parts of the Bench are told, a sentence each, until that is put away for good', async ({
	page
}) => {
	const parts = page.getByRole('region', { name: 'The parts of the Bench' });
	await expect(parts.locator('dt')).toHaveCount(6);
	await parts.getByRole('button', { name: 'Put this away' }).click();
	await expect(parts).toHaveCount(0);
	await page.reload();
	await framesShown(page, 4);
	await expect(page.getByText('Click an element in a frame.')).toBeVisible();
	await expect(parts).toHaveCount(0);
});
