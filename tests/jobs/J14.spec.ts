import { expect, test } from '../fixtures.ts';
import { atWork, panel, reached, traced } from './bench.ts';

test('J14: a size set on the wrapper does nothing where the child has its own, and both places say so', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'sailings.html', 'css/sailings.css');
	await work.select('p.line', 'p.line');
	await work.ask('h');
	const size = await traced(page, 'font-size');
	await expect(size).toContainText('font-size: 1.2rem of .corner .line');
	await expect(size).toContainText('div.corner around it has font-size: 0.9rem at sailings.css:91');
	await expect(size).toContainText('it does not reach this element, which has its own');
	await size.getByRole('button', { name: 'sailings.css:91' }).click();
	const line = page.locator('.cm-activeLine');
	await expect(line).toContainText('.corner { font-size: 0.9rem; }');
	await expect(line.locator('.cm-dele')).toHaveAttribute(
		'title',
		/all of that \(p\) has its own: it reaches no words/
	);

	// The heading of departures, with how far each selector for it reaches.
	await work.select('this afternoon', 'h2');
	await work.ask('Shift+R');
	await expect(reached(page, '.board h2').nth(1)).toHaveText(/^\d+$/);
	await panel(page).getByLabel('would win').fill('font-size');
	await expect(reached(page, '.board h2').first()).toContainText(/would (win|lose)/);
	expect(work.actions()).toBeLessThanOrEqual(8);
});
