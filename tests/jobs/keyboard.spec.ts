import type { Locator } from '@playwright/test';
import { expect, openBench, test, type Page } from '../fixtures.ts';
import { settled } from '../rest.ts';
import { openType, sizeIn } from '../type/setting.ts';
import { boxIn, draftOf, panel, reached, shareOf, frameOf, type Beside } from './bench.ts';

/** Counts what a pointer does in the application and in its frames: nothing, in these jobs. */
test.beforeEach(async ({ page }) => {
	const pressed: string[] = [];
	await page.exposeFunction('pointerPressed', (at: string) => void pressed.push(at));
	await page.addInitScript(() =>
		addEventListener(
			'pointerdown',
			({ isTrusted }) =>
				isTrusted &&
				void (window as unknown as { pointerPressed(at: string): void }).pointerPressed(location.href),
			true
		)
	);
	Object.assign(page, { pressed });
});
test.afterEach(({ page }) => {
	expect((page as Page & { pressed: string[] }).pressed).toEqual([]);
});

/** More stops than any way through a screen has. */
const MOST_STOPS = 120;

/** Goes on with Tab (backwards: with Shift) until something has the focus. */
async function tabTo(page: Page, target: Locator, key: 'Tab' | 'Shift+Tab' = 'Tab'): Promise<void> {
	await expect(target).toBeVisible();
	for (let i = 0; i < MOST_STOPS; i++) {
		if (await target.evaluate((one) => one === document.activeElement)) return;
		await page.keyboard.press(key);
	}
	throw new Error(`Tab does not come to ${target.toString()}.`);
}

/** Chooses an option of a select that has the focus, by arrow keys. */
async function choose(page: Page, select: Locator, option: RegExp): Promise<void> {
	const now = (): Promise<string> =>
		select.evaluate((one) => (one as HTMLSelectElement).selectedOptions[0]?.textContent?.trim() ?? '');
	await page.keyboard.press('Home');
	for (let i = 0; i < MOST_STOPS && !option.test(await now()); i++) await page.keyboard.press('ArrowDown');
	expect(await now()).toMatch(option);
}

/** Selects an element by Find: the first that is called so. */
async function find(page: Page, words: string, name: string): Promise<void> {
	await page.keyboard.press('/');
	await page.keyboard.insertText(words);
	const found = page.getByRole('option').filter({ has: page.locator('.element') });
	const wanted = found.filter({ hasText: name }).first();
	await expect(wanted).toBeVisible();
	for (let i = 0; i < MOST_STOPS && (await wanted.getAttribute('aria-selected')) !== 'true'; i++)
		await page.keyboard.press('ArrowDown');
	await page.keyboard.press('Enter');
	await expect(panel(page).getByText(name, { exact: true }).first()).toBeVisible();
}

/** Writes a value of the selection in the column of the carriage. */
async function collate(
	page: Page,
	property: string,
	value: string,
	{ into, extent, at }: { into?: RegExp; extent?: RegExp; at?: string } = {}
): Promise<void> {
	await page.keyboard.press('Shift+C');
	await tabTo(page, page.getByLabel('Property to have a row'));
	await page.keyboard.insertText(property);
	await page.keyboard.press('Enter');
	// The row has the focus, in sight, in the column of the carriage.
	const cell = page.locator(`td.here button.value[data-cell^="${property}, "]`);
	await expect(cell).toBeFocused();
	await expect(cell).toBeInViewport();
	await page.keyboard.press('Enter');
	const field = page.locator('input.field');
	await expect(field).toBeFocused();
	const choices = page.locator('.into');
	if (into) {
		await tabTo(page, choices.getByRole('combobox', { name: /^Into/ }), 'Shift+Tab');
		await choose(page, choices.getByRole('combobox', { name: /^Into/ }), into);
	}
	if (extent) {
		await tabTo(page, choices.getByRole('combobox', { name: 'over' }), into ? 'Tab' : 'Shift+Tab');
		await choose(page, choices.getByRole('combobox', { name: 'over' }), extent);
	}
	if (at !== undefined) {
		await tabTo(page, page.getByLabel('Width from or under which it is to hold, px'));
		await page.keyboard.press('Control+a');
		await page.keyboard.insertText(at);
	}
	await tabTo(page, field);
	await page.keyboard.press('Control+a');
	await page.keyboard.insertText(value);
	await page.keyboard.press('Enter');
	await expect(field).toHaveCount(0);
	// What was in the hand has the focus again, and single keys act.
	await expect(cell).toBeFocused();
}

const bench = (page: Page, server: Parameters<typeof openBench>[1], path: string, file: string) =>
	openBench(page, server, 1, `?page=${path}&file=${encodeURIComponent(file)}`);

test('J01 by keyboard alone: words at the mid-height of a round picture', async ({ page, server }) => {
	await bench(page, server, 'island.html', 'css/layout.css');
	await find(page, 'beside', 'div.beside');
	await collate(page, 'align-items', 'center');
	// The words are found, and the ladder leads from them to what is around them.
	await find(page, 'The bakery', 'p');
	await page.keyboard.press('z');
	await expect(page.getByRole('toolbar', { name: /^Ladder/ }).locator(':focus')).toHaveCount(1);
	await page.keyboard.press('ArrowUp');
	await expect(panel(page).getByText('div.words', { exact: true }).first()).toBeVisible();
	await collate(page, 'padding-top', '0');
	for (const vantage of ['Slate', 'Notebook'] as const) {
		expect(
			await settled(page, async () => {
				const [words, picture] = [
					await boxIn(page, vantage, '.beside .words p'),
					await boxIn(page, vantage, '.beside img')
				];
				return Math.abs(
					(words?.top ?? 0) - (picture?.top ?? 0) - ((picture?.bottom ?? 0) - (words?.bottom ?? 0))
				);
			})
		).toBeLessThanOrEqual(1);
	}
});

test('J05 by keyboard alone: a picture stays in its column, in its own ratio', async ({ page, server }) => {
	await bench(page, server, 'boats.html', 'css/layout.css');
	await find(page, 'img.boat', 'img.boat');
	await collate(page, 'max-width', '100%');
	await collate(page, 'height', 'auto', { into: /^\.card \.boat in/ });
	const picture = await settled(page, () => boxIn(page, 'Notebook', '.boat'));
	expect((picture?.width ?? 0) / (picture?.height ?? 1)).toBeCloseTo(640 / 400, 2);
	expect(await settled(page, () => draftOf(server, 'css/layout.css'))).toContain(
		'.card .boat {\n  width: 420px;\n  max-width: 100%;\n  height: auto;\n}'
	);
});

test('J13 by keyboard alone: a fluid title from three numbers', async ({ page, server }) => {
	await openType(page, server, 1, '?page=home.html');
	await page.keyboard.press('Shift+C');
	const sizes = page.getByRole('tabpanel', { name: 'Sizes' });
	await tabTo(page, sizes.getByRole('button', { name: /^h1/ }));
	await page.keyboard.press('Enter');
	await tabTo(page, sizes.getByRole('button', { name: 'Set this size from three numbers' }));
	await page.keyboard.press('Enter');
	const carriage = page.getByLabel('Width of the carriage, px');
	for (const [name, width, px] of [
		['smallest, px', '400', '28'],
		['largest, px', '1300', '60']
	] as const) {
		const field = page.getByRole('textbox', { name, exact: true });
		await tabTo(page, field);
		for (let i = 0; i < 9 && (await carriage.inputValue()) !== width; i++)
			await page.keyboard.press('PageDown');
		await page.keyboard.press('Control+a');
		await page.keyboard.insertText(px);
		await page.keyboard.press('Enter');
		expect(await settled(page, () => sizeIn(page, 'h1'))).toBeCloseTo(Number(px), 1);
	}
	const middle = page.getByRole('combobox', { name: 'Middle' });
	await tabTo(page, middle);
	await choose(page, middle, /between/);
	await tabTo(page, page.getByLabel(/go into the sheet as a comment/));
	await page.keyboard.press('Space');
	await tabTo(page, page.getByRole('button', { name: 'Write into base.css' }));
	await page.keyboard.press('Enter');
	expect(await settled(page, () => draftOf(server, 'css/base.css'))).toMatch(
		/\/\* Judged at: 28px at 400, 60px at 1300[^*]*\*\/\n(?:\/\*[^*]*\*\/\n)?h1 \{[^}]*font-size: clamp\(1\.75rem, 0\.86\d*rem \+ 3\.55\d*vw, 3\.75rem\)/
	);
});

test('J14 by keyboard alone: a size on the wrapper does nothing; the heading is smaller under 560', async ({
	page,
	server
}) => {
	await bench(page, server, 'sailings.html', 'css/sailings.css');
	await find(page, 'p.line', 'p.line');
	await page.keyboard.press('Shift+T');
	await tabTo(page, panel(page).getByLabel('Property'));
	await page.keyboard.insertText('font-size');
	const traces = panel(page)
		.getByRole('listitem')
		.filter({ has: page.locator('button .property') })
		.first();
	await tabTo(page, traces.getByRole('button').first());
	await page.keyboard.press('Enter');
	await expect(traces).toContainText('div.corner around it has font-size: 0.9rem at sailings.css:91');
	await tabTo(page, traces.getByRole('button', { name: 'sailings.css:91' }));
	await page.keyboard.press('Enter');
	await expect(page.locator('.cm-activeLine')).toContainText('.corner { font-size: 0.9rem; }');
	await expect(page.locator('.cm-content')).toBeFocused();
	await page.keyboard.press('Escape');

	await find(page, 'this afternoon', 'h2');
	const size = (vantage: Beside) =>
		frameOf(page, vantage)
			.locator('.board h2')
			.first()
			.evaluate((one) => getComputedStyle(one).fontSize);
	const wide = [await size('Slate'), await size('Notebook')];
	await collate(page, 'font-size', '1.5rem', { extent: /^under the width/, at: '560' });
	expect(await settled(page, () => size('Handset'))).toBe('24px');
	expect([await size('Slate'), await size('Notebook')]).toEqual(wide);
});

test('J19 by keyboard alone: the reach of selectors before writing, then this section’s picture', async ({
	page,
	server
}) => {
	await bench(page, server, 'home.html', 'css/layout.css');
	await find(page, 'img', 'img');
	await page.keyboard.press('Shift+R');
	await expect(reached(page, 'img').nth(1)).toHaveText('3');
	await expect(reached(page, '.sail img').nth(1)).toHaveText('1');
	await collate(page, 'width', '72%', { into: /^\.sail img in/, extent: /^under the width/, at: '560' });
	expect(await settled(page, () => shareOf(page, 'Handset'))).toBeCloseTo(0.72, 3);
});
