import type { Frame } from '@playwright/test';
import { bring, clickIn, expect, framesShown, openBench, pageFrames, test, toLine } from '../fixtures.ts';

const SITE = {
	'index.html':
		'<!doctype html><html><head><link rel="stylesheet" href="a.css"></head><body><p id="x" class="loud big">words</p></body></html>',
	'a.css':
		'.loud { color: rgb(1, 2, 3); letter-spacing: 2px }\n@media (width >= 300px) {\n  .big { word-spacing: 3px }\n}\n'
};

test('a declaration, rule, block, file or class is out of force in every frame, listed, never saved, and back', async ({
	page,
	empty
}) => {
	const site = await bring(empty, SITE);
	await openBench(page, empty, site, '?page=index.html&file=a.css');
	const all = async (property: string, value: string): Promise<void> => {
		for (const frame of pageFrames(page)) await expect(frame.locator('#x')).toHaveCSS(property, value);
	};
	const caretIn = (words: string) =>
		page.locator('.cm-line', { hasText: words }).getByText(words, { exact: true }).click();
	await all('color', 'rgb(1, 2, 3)');

	// The declaration at the caret, by the sheet’s key; typing elsewhere moves it along.
	await caretIn('color');
	await page.keyboard.press('Alt+m');
	await all('color', 'rgb(0, 0, 0)');
	await all('letter-spacing', '2px');
	await expect(page.locator('.cm-muted')).toHaveText('color: rgb(1, 2, 3)');
	await page.keyboard.press('Control+Home');
	await page.keyboard.insertText('p { margin: 7px }\n');
	await all('margin-top', '7px');
	await all('color', 'rgb(0, 0, 0)');
	await expect(page.locator('.cm-muted')).toHaveText('color: rgb(1, 2, 3)');

	// The block around it, by the menu; both are listed, and unmuted one by one and together.
	await caretIn('word-spacing');
	await page.getByText('Mute', { exact: true }).click();
	await page.getByRole('button', { name: 'The rule or block around that' }).click();
	await all('word-spacing', '0px');
	await expect(page.getByText('2 muted')).toBeVisible();
	await page.keyboard.press('Control+s');
	await expect(page.locator('.saved')).toHaveText('✓ Saved · revision 2');
	await all('color', 'rgb(0, 0, 0)');
	await page.getByText('2 muted').click();
	await page.getByRole('button', { name: /\.big a\.css unmute/ }).click();
	await all('word-spacing', '3px');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+m');
	await all('color', 'rgb(1, 2, 3)');
	await expect(page.getByText(/\d muted/)).toHaveCount(0);

	// From the Trace: the deciding declaration, and the next one decides.
	await clickIn(page, 'Carriage', pageFrames(page)[0] as Frame, '#x');
	await page.keyboard.press('Shift+T');
	await page.locator('.property', { hasText: 'color' }).click();
	await page.getByRole('button', { name: 'mute it' }).click();
	await all('color', 'rgb(0, 0, 0)');
	await expect(page.getByText('1 muted')).toBeVisible();
	await page.keyboard.press('Escape');
	await page.keyboard.press('Shift+m');
	await all('color', 'rgb(1, 2, 3)');

	// Everything but the rule at the caret, which is in a block.
	await caretIn('word-spacing');
	await page.getByText('Mute', { exact: true }).click();
	await page.getByRole('button', { name: 'All sheets but the rule at the caret' }).click();
	await all('color', 'rgb(0, 0, 0)');
	await all('margin-top', '16px');
	await all('word-spacing', '3px');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+m');
	await all('color', 'rgb(1, 2, 3)');

	// A whole file, and a class of an element; a mute does not survive a reload, and what was saved is complete.
	await page.getByText('Mute', { exact: true }).click();
	await page.getByRole('button', { name: 'All of this file' }).click();
	await all('margin-top', '16px');
	await page.keyboard.press('Shift+m');
	await page.getByRole('tab', { name: 'index.html' }).click();
	await page.locator('.cm-line', { hasText: 'loud big' }).getByText('"loud big"').click();
	await toLine(page, 'End');
	for (let i = 0; i < 'ud big">words</p></body></html>'.length; i++) await page.keyboard.press('ArrowLeft');
	await page.keyboard.press('Alt+m');
	await all('color', 'rgb(0, 0, 0)');
	await all('word-spacing', '3px');
	await page.reload();
	await framesShown(page, 4);
	await all('color', 'rgb(1, 2, 3)');
	await all('margin-top', '7px');
});
