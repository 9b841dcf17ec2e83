import { expect, test } from '../fixtures.ts';
import { atWork, shownIn } from './bench.ts';
import { settled } from '../rest.ts';

test('J06: each vantage has its own pieces: the strip gone on handset, a notice on slate only, the map gone on wide', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'home.html', 'css/layout.css');
	expect(await settled(page, () => shownIn(page, '.strip'))).toEqual([true, true, true]);
	await work.write('@media (width < 700px) { .board .strip { display: none; } }');
	expect(await settled(page, () => shownIn(page, '.strip'))).toEqual([false, true, true]);
	expect(await shownIn(page, '.slate-only')).toEqual([false, true, false]);
	expect(await work.actions()).toBeLessThanOrEqual(4);

	const other = await atWork(page, server, 'island.html', 'css/layout.css');
	expect(await settled(page, () => shownIn(page, '.map'))).toEqual([true, true, true]);
	await other.write('@media (width >= 1000px) { .map { display: none; } }');
	expect(await settled(page, () => shownIn(page, '.map'))).toEqual([true, true, false]);
});
