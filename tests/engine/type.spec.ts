import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pageBundle } from '../bundle.ts';
import { expect, test } from '../fixtures.ts';
import { formsPage, FORM_COUNT } from './type/forms.ts';
import type { checkSizes } from './type/inPage.ts';
import { fromFolder, originOf, plainServer } from './vantage/real.ts';

const DEMO = join(import.meta.dirname, '../../demo/site');

declare global {
	var typeCheck: { checkSizes: typeof checkSizes };
}

/** Widths between 240 and 2,560 in quarters of a px, the same in each run. */
function widths(count: number): number[] {
	let seed = 7;
	return Array.from({ length: count }, () => {
		seed = (seed * 48271) % 2147483647;
		return 240 + Math.round((seed / 2147483647) * 2320 * 4) / 4;
	});
}

test('sizes are the engine’s at 200 widths, fractions too: every form of math, and every text of the demo', async ({
	page
}) => {
	const names = (await readdir(DEMO, { recursive: true })).filter((name) => /\.(html|css)$/.test(name));
	const demo = Object.fromEntries(
		await Promise.all(
			names.map(
				async (name) => [name, (await readFile(join(DEMO, name), 'utf8')).replaceAll('\r\n', '\n')] as const
			)
		)
	);
	const forms = formsPage();
	const server = await plainServer(async (path) => forms[path] ?? fromFolder(DEMO)(path));
	const bundle = await pageBundle(join(import.meta.dirname, 'type/inPage.ts'), 'typeCheck');
	const files = { ...demo, ...forms };
	const sum = { compared: 0, asked: new Set<string>(), fractions: 0, wrong: [] as string[] };
	for (const path of Object.keys(files).filter((name) => name.endsWith('.html'))) {
		await page.goto(`${originOf(server)}/${path}`);
		await page.evaluate(bundle);
		const given = [`/${path}`, path, files, widths(200)] as const;
		const found = await page.evaluate(
			([address, of, texts, at]) => globalThis.typeCheck.checkSizes(address, of, texts, at, 4),
			given
		);
		sum.compared += found.compared;
		sum.fractions += found.fractions;
		for (const one of found.asked) sum.asked.add(`${path} ${one}`);
		sum.wrong.push(...found.wrong.map((one) => `${path} ${one}`));
	}
	server.close();
	console.log(
		`${sum.compared} sizes of ${FORM_COUNT} forms and the demo’s texts compared, ${sum.fractions} widths with fractions; left to the engine: ${[...sum.asked].join('; ') || 'none'}.`
	);
	expect(sum.wrong.slice(0, 20)).toEqual([]);
	expect(sum.compared).toBeGreaterThan(40_000);
	expect([...sum.asked]).toEqual([]);
});
