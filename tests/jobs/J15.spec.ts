import { expect, test } from '../fixtures.ts';
import { atWork, draftOf, frameOf, type Beside } from './bench.ts';
import { settled } from '../rest.ts';

test('J15: boats one, two, three a row at the widths that are meant, pictures of one shape, the alt of each its own', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'boats.html', 'css/layout.css');
	/** How many cards stand in the first row, and how many shapes their pictures have. */
	const rows = (vantage: Beside) =>
		frameOf(page, vantage).evaluate(() => {
			const tops = [...document.querySelectorAll('.card')].map((one) => one.getBoundingClientRect().top);
			const shapes = [...document.querySelectorAll('.card img')].map((one) => {
				const { width, height } = one.getBoundingClientRect();
				return `${(width / height).toFixed(3)} ${getComputedStyle(one).objectFit}`;
			});
			return { count: tops.filter((top) => top === tops[0]).length, shapes: [...new Set(shapes)] };
		});
	expect((await rows('Notebook')).count).toBe(4);
	await work.select('ul.cards', 'ul.cards');
	await work.collate('grid-template-columns', 'repeat(3, 1fr)', { extent: 'from the width', at: 1000 });
	await work.select('img', 'img');
	await work.collate('height', 'auto', { into: /^\.card img in/ });
	await work.collate('aspect-ratio', '16 / 10', { into: /^\.card img in/, extent: 'everywhere' });
	await work.collate('object-fit', 'cover', { into: /^\.card img in/, extent: 'everywhere' });
	await work.select('img.boat', 'img.boat');
	await work.collate('width', '100%', { into: /^\.card \.boat in/ });
	for (const [vantage, count] of [
		['Handset', 1],
		['Slate', 2],
		['Notebook', 3]
	] as const)
		expect(await settled(page, () => rows(vantage))).toEqual({ count, shapes: ['1.600 cover'] });
	// In the block that was there, not a second one.
	expect(await settled(page, () => draftOf(server, 'css/layout.css'))).toMatch(
		/\(min-width: 1000px\) \{\n {2}\.cards \{ grid-template-columns: repeat\(3, 1fr\); \}\n\}/
	);
	expect(await work.actions()).toBeLessThanOrEqual(36);
});
