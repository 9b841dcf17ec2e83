import { expect, test } from '../fixtures.ts';
import { atWork, traced } from './bench.ts';

test('J18: why the words of a pier cannot be hovered: transparent can be, removed cannot', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'sailings.html', 'css/layout.css');
	await work.select('p.words', 'p.words');
	await expect(page.getByRole('treeitem', { selected: true })).toContainText('transparent: opacity 0');
	await work.ask('Shift+T');
	const seen = await traced(page, 'opacity');
	await expect(seen).toContainText('opacity: 0 of .route .words');
	await expect(seen).toContainText('Only while :hover holds.');

	await work.write('.route .words { display: none; } .route .words:hover { display: block; }');
	const shown = await traced(page, 'display');
	await expect(shown).toContainText('display: none of .route .words');
	await expect(shown).toContainText('It is display: none here, and what is not shown cannot be pointed at.');
	await work.select('p.words', 'p.words');
	await expect(page.getByRole('treeitem', { selected: true })).toContainText('display: none');
	expect(await work.actions()).toBeLessThanOrEqual(13);
});
