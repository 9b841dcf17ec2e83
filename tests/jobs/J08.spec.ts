import { expect, test } from '../fixtures.ts';
import { atWork, panel, reached } from './bench.ts';

test('J08: a selector for the banner’s film on this page only: by place, or by a class that the page is given', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'home.html', 'css/layout.css');
	await work.select('video', 'video');
	await work.ask('Shift+R');
	await expect(reached(page, 'video').nth(1)).toHaveText('1');
	// The banner’s class is on another page too; how many each matches there is told before anything is written.
	await expect(reached(page, '.banner > video').nth(2)).toHaveText('–');
	await expect(reached(page, 'body > section:nth-of-type(1) > video').nth(0)).toContainText(
		'a new sibling before it would shift its place'
	);
	await expect(page.getByText('this page only')).toHaveCount(0);

	await work.select('body', 'body');
	await work.ask('Shift+R');
	await panel(page).getByLabel('Add a class').fill('home');
	await panel(page).getByRole('button', { name: 'Add to 1 element' }).click();
	const card = page.getByRole('dialog', { name: 'What would be written' });
	await expect(card).toContainText('Adds the class home to one element.');
	await work.ask('Enter');
	await expect(card).toHaveCount(0);
	await work.select('video', 'video');
	await work.ask('Shift+R');
	await expect(page.getByText('this page only')).toBeVisible();
	await expect(reached(page, '.home video').nth(1)).toHaveText('1');
	await expect(reached(page, '.home video').nth(2)).toHaveText('–');
	expect(await work.actions()).toBeLessThanOrEqual(15);
});
