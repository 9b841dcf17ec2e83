import { expect, test } from '../fixtures.ts';
import { atWork, draftOf, frameOf, type Beside } from './bench.ts';
import { settled } from '../rest.ts';

test('J12: piers along a route: on wide every second one is the mirror image of the others, the line through all marks; narrow as it was', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'sailings.html', 'css/layout.css');
	/** Of each pier: its words’ edges and its mark’s centre, px from the middle of the route. */
	const piers = (vantage: Beside) =>
		frameOf(page, vantage).evaluate(() => {
			const route = document.querySelector('.route')?.getBoundingClientRect();
			const middle = ((route?.left ?? 0) + (route?.right ?? 0)) / 2;
			return [...document.querySelectorAll('.route li')].map((pier) => {
				const { left, right } = pier.getBoundingClientRect();
				const mark = getComputedStyle(pier, '::before');
				const centre = left + parseFloat(mark.left) + parseFloat(mark.width) / 2;
				return {
					left: left - middle,
					right: right - middle,
					mark: centre - middle,
					align: getComputedStyle(pier).textAlign
				};
			});
		});
	const narrow = { Handset: await piers('Handset'), Slate: await piers('Slate') };
	const wide = { extent: 'from the width', at: 1000 };
	await work.select('ol.route', 'ol.route');
	await work.collate('border-left', '0', wide);
	await work.collate('padding-left', '0', wide);
	await work.collate(
		'background',
		'linear-gradient(var(--sea), var(--sea)) 50% 0 / 3px 100% no-repeat',
		wide
	);
	await work.select('Ticket hall', 'li');
	await work.collate('width', '50%', { into: /^\.route li in/, ...wide });
	await work.collate('padding-right', '20px', { into: /^\.route li in/, ...wide });
	await work.collate('text-align', 'right', { into: /^\.route li in/, ...wide });
	await work.write(
		'@media (min-width: 1000px) {\n.route li::before { left: auto; right: -7.5px; }\n.route li:nth-child(even) { margin-left: 50%; padding: 0 0 28px 20px; text-align: left; }\n.route li:nth-child(even)::before { right: auto; left: -7.5px; }\n}'
	);
	expect(await settled(page, async () => (await piers('Notebook'))[1]?.align)).toBe('left');
	const [first, second, third, last] = await piers('Notebook');
	expect(second?.left).toBeCloseTo(-(first?.right ?? NaN), 3);
	expect(second?.right).toBeCloseTo(-(first?.left ?? NaN), 3);
	for (const pier of [first, second, third, last]) expect(pier?.mark).toBeCloseTo(0, 1);
	expect([third, last].map((one) => one?.align)).toEqual(['right', 'left']);
	expect({ Handset: await piers('Handset'), Slate: await piers('Slate') }).toEqual(narrow);
	expect(await settled(page, () => draftOf(server, 'css/layout.css'))).toContain('.route li { width: 50%;');
	expect(await work.actions()).toBeLessThanOrEqual(52);
});
