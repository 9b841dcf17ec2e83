import { expect, test } from '../fixtures.ts';
import { atWork, foundOn, wake } from './bench.ts';

test('J11: turned headings lie over nothing at any width, with a longer heading too', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'island.html', 'css/layout.css');
	const lies = (found: readonly string[]) => found.filter((one) => one.includes(' overlap'));
	await work.ask('Shift+O');
	const findings = page.getByRole('tabpanel', { name: 'Findings' });
	await expect(findings).toContainText(/2396–2560\s*h1 “A day on Serk” and h2.side “Landing” overlap/);
	await expect(findings).toContainText(/A line of h1 “A day on Serk” is .* longer than its box/);

	await work.write('.story h1 { font-size: min(5.6vw, 3rem); }\n.story .side { max-height: 9em; }\n');
	await expect(wake(page)).toContainText('h1');
	await work.replace('island.html', 'class="side">Landing', 'class="side">Landing at the end of the quay');
	const after = await foundOn(page);
	expect(lies(after)).toEqual([]);
	expect(after.filter((one) => one.includes('longer than its box'))).toEqual([]);
	expect(await work.actions()).toBeLessThanOrEqual(11);
});
