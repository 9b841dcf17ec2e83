import { expect, test } from '../fixtures.ts';
import { atWork, draftOf, foundOn, wake } from './bench.ts';
import { settled } from '../rest.ts';

test('J03: three badges whole on the pier at every width; a shift for handset that also moved wide is seen and taken back', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'sailings.html', 'css/layout.css');
	await work.ask('Shift+O');
	const findings = page.getByRole('tabpanel', { name: 'Findings' });
	await findings.getByRole('button', { name: /span.badge.delay .* lies outside of div.pier/ }).click();
	await expect(findings).toContainText('Without left: 330px layout.css:211 on span.badge.delay');

	const width = page.getByLabel('Width of the carriage, px');
	await width.fill('400');
	await width.press('Enter');
	await work.select('badge', 'span.badge.delay');
	await work.collate('left', '40px', { extent: 'everywhere' });
	await expect(wake(page)).toContainText('Also beyond the carriage’s band');
	await expect(wake(page)).toContainText('span.badge.delay');
	await wake(page).getByRole('button', { name: 'Undo' }).click();
	expect(await settled(page, () => draftOf(server, 'css/layout.css'))).not.toContain('40px');

	await work.write(
		'@media (width < 600px) {\n  .pier { display: flex; flex-direction: column; }\n  .badge { position: static; }\n}\n'
	);
	await expect(wake(page)).toContainText('div.pier and 3 inside it, 240–<600');
	expect((await foundOn(page)).filter((one) => one.includes('badge'))).toEqual([]);
	expect(await work.actions()).toBeLessThanOrEqual(15);
});
