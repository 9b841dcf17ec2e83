import { bring, expect, openBench, pageFrames, shownText, test } from '../fixtures.ts';

const PAGE = `<!doctype html>
<link rel=stylesheet href=a.css>
<body>
  <ul>
    <li class="fare day">from 3.20</li>
    <li class="fare" id="night">from 4.10</li>
  </ul>
</body>
`;

test('attributes, classes, words, wrappers and copies are shown before they are written, on all like it, and undone as one step', async ({
	page,
	server
}) => {
	const site = await bring(server, { 'index.html': PAGE, 'a.css': '.day { color: red }' });
	await openBench(page, server, site, '?page=index.html&file=index.html&at=1.0.0');
	const lead = pageFrames(page)[0];
	const text = () => shownText(page);
	const card = page.getByRole('dialog', { name: 'What would be written' });
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+I');

	// A class that a sheet has rules for is taken away: tried in the frames, and let go.
	await page.getByRole('button', { name: 'day ×' }).click();
	await expect(card).toContainText('a.css has rules for .day.');
	await expect.poll(() => lead?.locator('.day').count()).toBe(0);
	await page.keyboard.press('Escape');
	await expect.poll(() => lead?.locator('.day').count()).toBe(1);
	expect(await text()).toBe(PAGE);

	await page.getByLabel('Words in it').fill('only 3 < 4');
	await page.getByLabel('Words in it').press('Tab');
	await expect(card).toContainText('only 3 &lt; 4');
	await page.keyboard.press('Enter');
	await expect.poll(text).toContain('<li class="fare day">only 3 &lt; 4</li>');

	await page.getByLabel('Name of a new attribute').fill('lang');
	await page.getByLabel('Value of a new attribute').fill('en');
	await page.keyboard.press('Enter');
	await card.getByRole('button', { name: 'Write it' }).click();
	await expect.poll(text).toContain('<li class="fare day" lang="en">');

	await page.getByRole('button', { name: 'Later', exact: true }).click();
	await page.keyboard.press('Enter');
	await expect
		.poll(text)
		.toContain('<li class="fare" id="night">from 4.10</li>\n    <li class="fare day" lang="en">');
	// What is selected stays selected.
	await expect(page.getByText('li.fare.day').first()).toBeVisible();
	await page.getByRole('button', { name: 'Duplicate' }).click();
	await page.keyboard.press('Enter');
	await expect.poll(() => lead?.locator('.day').count()).toBe(2);
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+z');
	await page.keyboard.press('Control+z');
	await expect
		.poll(text)
		.toContain('<li class="fare day" lang="en">only 3 &lt; 4</li>\n    <li class="fare" id="night">');

	// Words chosen in the source go into a tag of their own.
	await page.locator('.cm-line', { hasText: 'from 4.10' }).click();
	await page.keyboard.press('Home');
	for (let i = 0; i < '<li class="fare" id="night">'.length; i++) await page.keyboard.press('ArrowRight');
	await page.keyboard.press('Control+Shift+ArrowRight');
	await page.getByLabel('Tag to wrap it into').fill('small');
	await page.getByRole('button', { name: 'Wrap the chosen words' }).click();
	await expect(card).toContainText('<small>from</small> 4.10');
	await page.keyboard.press('Enter');
	await expect.poll(() => lead?.locator('small').count()).toBe(1);
});
