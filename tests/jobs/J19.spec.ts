import { expect, test } from '../fixtures.ts';
import { atWork, reached, shareOf } from './bench.ts';
import { settled } from '../rest.ts';

test('J19: all pictures, this section’s, this one: the reach counted before writing; an id of the host’s refused with its reason', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'home.html', 'css/layout.css');
	await work.select('img', 'img');
	await work.ask('Shift+R');
	await expect(reached(page, 'img').nth(1)).toHaveText('3');
	await expect(reached(page, 'img').nth(2)).toHaveText('on 4');
	await expect(reached(page, '.sail img').nth(1)).toHaveText('1');
	await expect(page.getByText('this one', { exact: true }).first()).toBeVisible();

	await work.select('board', 'section#sec-8f3a21.board');
	await work.ask('Shift+R');
	await expect(reached(page, '#sec-8f3a21').first()).toContainText('the id sec-8f3a21 looks made by a tool');
	await expect(reached(page, '.board').nth(2)).toHaveText('sailings.html 1');
	expect(await work.actions()).toBeLessThanOrEqual(8);

	// This section's, a size smaller on narrow: into the rule that says its width, under a width of its own.
	const wide = await shareOf(page, 'Notebook');
	await work.select('img', 'img');
	await work.collate('width', '72%', { into: /^\.sail img in/, extent: 'under the width', at: 560 });
	expect(await settled(page, () => shareOf(page, 'Handset'))).toBeCloseTo(0.72, 3);
	expect(await shareOf(page, 'Notebook')).toBe(wide);
	expect(await work.actions()).toBeLessThanOrEqual(17);
});
