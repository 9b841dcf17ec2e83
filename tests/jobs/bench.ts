import type { DraftRecord } from '../../src/lib/api.ts';
import { expect, openBench, pageFrames, type Page, type bring } from '../fixtures.ts';
import { actionsOn } from './actions.ts';

type Server = Parameters<typeof bring>[0];

/** The vantages beside the lead, as the demo shows them, with the frame of each. */
const BESIDE = ['Handset', 'Slate', 'Notebook'] as const;
export type Beside = (typeof BESIDE)[number];

export const frameOf = (page: Page, vantage: Beside) => {
	const frame = pageFrames(page)[1 + BESIDE.indexOf(vantage)];
	if (!frame) throw new Error(`There is no frame of ${vantage}.`);
	return frame;
};

/** What is drafted of a file of a site; '' where nothing is. */
export async function draftOf({ url }: Server, path: string, site = 1): Promise<string> {
	const record = (await (await fetch(`${url}/api/sites/${site}`)).json()) as {
		drafts: readonly DraftRecord[];
	};
	return record.drafts.find((one) => one.path === path)?.text ?? '';
}

/** Leaves the field or sheet that the keys go to, where they go to one. */
async function leaveField(page: Page): Promise<void> {
	const typing = await page.evaluate(
		() => document.activeElement?.matches('input, textarea, select, [contenteditable=true]') ?? false
	);
	if (typing) await page.getByText('Vantaggio', { exact: true }).click();
}

/** The Bench with a page in its frames and a file in its sheet, and what was done there, counted. */
export async function atWork(page: Page, server: Server, path: string, file: string, site = 1) {
	const done = await actionsOn(page);
	await openBench(page, server, site, `?page=${path}&file=${encodeURIComponent(file)}`);
	await expect(page.locator('.cm-content')).toBeVisible();
	done.begin();
	return {
		/** Types a rule at the end of the file that is shown. */
		async write(rule: string): Promise<void> {
			await page.locator('.cm-content').click();
			await page.keyboard.press('Control+End');
			await page.keyboard.insertText(`\n${rule}`);
		},
		/** Opens a file, and types in place of the first text like it. */
		async replace(tab: string, from: string, to: string): Promise<void> {
			await page.getByRole('tab', { name: tab }).click();
			await page.locator('.cm-content').click();
			await page.keyboard.press('Control+f');
			await page.keyboard.type(from);
			await page.keyboard.press('Enter');
			await page.keyboard.press('Escape');
			await page.keyboard.type(to);
		},
		async open(tab: string): Promise<void> {
			await page.getByRole('tab', { name: tab }).click();
		},
		/** Selects an element by a word of the outline; `turn` of those that have it. */
		async select(word: string, name: string, turn = 0): Promise<void> {
			if ((await page.getByRole('tabpanel', { name: 'Outline' }).count()) === 0) {
				await leaveField(page);
				await page.keyboard.press('Shift+Z');
			}
			await page.getByRole('searchbox', { name: 'Find' }).fill(word);
			await page.getByRole('treeitem').filter({ hasText: name }).nth(turn).click();
		},
		/** Opens a panel about the selection by its key. */
		async ask(key: string): Promise<void> {
			await page.keyboard.press(key);
		},
		/** Writes a value of what is selected in the column of the carriage, under the sheet. */
		async collate(
			property: string,
			value: string,
			{ into, extent, at }: { into?: RegExp; extent?: string; at?: number } = {}
		): Promise<void> {
			const rows = page.getByLabel('Property to have a row');
			if ((await rows.count()) === 0) {
				await leaveField(page);
				await page.keyboard.press('Shift+C');
			}
			await expect(rows).toBeVisible();
			// Its columns and rows come at once: whether a property has a row is known then.
			await expect(page.locator('.collation thead th.here')).toBeVisible();
			const cell = page.locator('td.here button.value').and(page.locator(`[data-cell^="${property}, "]`));
			if ((await cell.count()) === 0) {
				await rows.fill(property);
				await page.keyboard.press('Enter');
			}
			await cell.click();
			const choices = page.getByRole('combobox', { name: /^Into/ });
			if (into) {
				const requested = await choices
					.locator('option')
					.filter({ hasText: into })
					.first()
					.getAttribute('value');
				if ((await choices.inputValue()) !== requested) await choices.selectOption(requested);
			}
			// What stands there already is left as it is.
			const over = page.locator('.into').getByRole('combobox', { name: 'over' });
			if (extent && (await over.locator('option:checked').innerText()).trim() !== extent)
				await over.selectOption(extent);
			const width = page.getByLabel('Width from or under which it is to hold, px');
			if (at !== undefined && (await width.inputValue()) !== String(at)) await width.fill(String(at));
			const field = page.locator('input.field');
			await field.fill(value);
			await field.press('Enter');
			await expect(field).toHaveCount(0);
		},
		actions: done.count,
		aside: done.aside
	};
}

/** Where an element of a vantage's page stands, px of its viewport; null where it has no box. */
export const boxIn = (page: Page, vantage: Beside, selector: string) =>
	frameOf(page, vantage)
		.locator(selector)
		.first()
		.evaluate((element) => {
			if (element.getClientRects().length === 0) return null;
			const { left, top, right, bottom, width, height } = element.getBoundingClientRect();
			return { left, top, right, bottom, width, height };
		});

/** How much of what it stands in the sail's picture is as wide as, in a vantage. */
export const shareOf = (page: Page, vantage: Beside): Promise<number> =>
	frameOf(page, vantage)
		.locator('.sail img')
		.evaluate((one) => {
			const around = one.parentElement?.getBoundingClientRect().width ?? NaN;
			return one.getBoundingClientRect().width / around;
		});

/** Whether a piece has a box in each of the vantages beside the lead, from narrow to wide. */
export const shownIn = (page: Page, selector: string) =>
	Promise.all(BESIDE.map(async (vantage) => (await boxIn(page, vantage, selector)) !== null));

export const panel = (page: Page) => page.getByRole('region', { name: 'What is selected' });

/** The row of a property in the Trace, opened. */
export async function traced(page: Page, property: string) {
	await expect(panel(page).getByLabel('Property')).toBeVisible();
	const row = panel(page)
		.getByRole('listitem')
		.filter({ has: page.locator('button .property', { hasText: new RegExp(`^\\s*(₰)?${property}$`) }) })
		.first();
	await expect(panel(page).locator('button .property').first()).toBeVisible();
	if (!(await row.isVisible())) await panel(page).getByLabel('Property').fill(property);
	await row.getByRole('button').first().click();
	return row;
}

/** The cells of a selector in Reach: the selector with what is said of it, hits here, elsewhere, specificity. */
export const reached = (page: Page, selector: string) =>
	page
		.getByRole('row')
		.filter({ has: page.getByRole('button', { name: selector, exact: true }) })
		.getByRole('cell');

export const wake = (page: Page) => page.getByRole('status', { name: 'Wake' });

/**
 * What is found on the page that is shown, a line each: by a quick sweep of all widths, and by a look at every px up to
 * 1400, beyond which no condition of the demo changes. It is a check of what came of a job, and no action of it.
 */
export async function foundOn(page: Page): Promise<string[]> {
	const actions = await actionsOn(page);
	return actions.aside(async () => {
		await leaveField(page);
		await page.keyboard.press('Shift+O');
		const findings = page.getByRole('tabpanel', { name: 'Findings' });
		const status = findings.getByRole('status').first();
		await expect(status).toContainText(/nothing new in the last|All \d+ widths/);
		await findings.getByText('Kinds', { exact: true }).click();
		await page.getByLabel('Swept to, px').fill('1400');
		await page.getByLabel('Swept to, px').press('Enter');
		await page.keyboard.press('Escape');
		await expect(status).toContainText('All 1161 widths measured.', { timeout: 0 });
		return findings.locator('ul').getByRole('listitem').allInnerTexts();
	});
}
