import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pageBundle } from '../bundle.ts';
import { expect, test, type Page } from '../fixtures.ts';
import { fromFolder, originOf, plainServer } from './vantage/real.ts';
import type { checkCascade, checkInherited } from './cascade/inPage.ts';

const PAGES = join(import.meta.dirname, 'cascade/pages');
const DEMO = join(import.meta.dirname, '../../demo/site');
const WIDTHS = [360, 600, 812, 1000, 1440];

declare global {
	var cascadeCheck: { checkCascade: typeof checkCascade; checkInherited: typeof checkInherited };
}

const inPageBundle = (): Promise<string> =>
	pageBundle(join(import.meta.dirname, 'cascade/inPage.ts'), 'cascadeCheck');

/** All texts of a folder by path. */
async function textsOf(folder: string): Promise<Record<string, string>> {
	const names = (await readdir(folder, { recursive: true })).filter((name) => /\.(html|css)$/.test(name));
	return Object.fromEntries(
		await Promise.all(
			names.map(
				async (name) => [name, (await readFile(join(folder, name), 'utf8')).replaceAll('\r\n', '\n')] as const
			)
		)
	);
}

/** The places of an element's matched rules by the debugging protocol, in cascade order, each distinct list once. */
async function protocolOrders(page: Page, path: string, marks: readonly string[]) {
	const session = await page.context().newCDPSession(page);
	const sheets = new Map<string, string>();
	session.on('CSS.styleSheetAdded', ({ header }) => {
		const address = header.isInline ? '' : header.sourceURL;
		sheets.set(header.styleSheetId, address ? new URL(address).pathname.slice(1) : path);
	});
	await session.send('DOM.enable');
	await session.send('CSS.enable');
	const { root } = await session.send('DOM.getDocument', { depth: 0 });
	const orders = new Map<string, string[]>();
	const ask = async (mark: string): Promise<void> => {
		const { nodeId } = await session.send('DOM.querySelector', {
			nodeId: root.nodeId,
			selector: `[data-mark="${mark}"]`
		});
		const { matchedCSSRules = [] } = await session.send('CSS.getMatchedStylesForNode', { nodeId });
		const rules = matchedCSSRules.flatMap(({ rule }) => {
			const { range, styleSheetId, cssText = '' } = rule.style;
			// A rule that only contains other rules decides nothing.
			const empty = cssText.replace(/\/\*.*?\*\//gs, '').trim() === '' || /^[^:;]*\{/.test(cssText);
			if (rule.origin !== 'regular' || !range || !styleSheetId || empty) return [];
			return `${sheets.get(styleSheetId)} ${range.startLine}:${range.startColumn}`;
		});
		orders.set(mark, [...new Set(rules)]);
	};
	await Promise.all(marks.map(ask));
	await session.detach();
	return orders;
}

for (const [name, folder, every] of [
	['the fixture pages', PAGES, true],
	['the demo', DEMO, false]
] as const) {
	test(`winners and the order of rules are the engine’s, on ${name}`, async ({ page }) => {
		const files = await textsOf(folder);
		const server = await plainServer(fromFolder(folder));
		const bundle = await inPageBundle();
		const sum = { winners: 0, unset: 0, orders: 0 };
		const wrong: string[] = [];
		const pages = Object.keys(files).filter(
			(one) => one.endsWith('.html') && (!process.env.ONLY || one === process.env.ONLY)
		);
		for (const [i, path] of pages.entries()) {
			// Pages share their sheets or their kinds of rules: each is asked at three of the widths, in turn, fixtures at
			// 812 too.
			for (const width of WIDTHS.filter((at, n) => (every && at === 812) || (n + i) % 5 < 3)) {
				await page.setViewportSize({ width, height: 700 });
				await page.goto(`${originOf(server)}/${path}`);
				await page.evaluate(bundle);
				const found = await page.evaluate(
					([at, texts, all]) => globalThis.cascadeCheck.checkCascade(at, texts, all),
					[path, files, every && width === 812] as const
				);
				sum.winners += found.winners;
				sum.unset += found.unset;
				wrong.push(...found.wrong.map((one) => `${path} at ${width}: ${one}`));
				const distinct = new Map(found.orders.map((one) => [one.rules.join(), one]));
				const theirs = await protocolOrders(
					page,
					path,
					[...distinct.values()].map(({ mark }) => mark)
				);
				for (const { mark, rules } of distinct.values()) {
					sum.orders++;
					if (rules.join(' | ') !== theirs.get(mark)?.join(' | ')) {
						wrong.push(
							`${path} at ${width}, element ${mark}: ${rules.join(' | ')} but ${theirs.get(mark)?.join(' | ')}`
						);
					}
				}
			}
		}
		server.close();
		console.log(
			`${sum.winners} winners, ${sum.unset} longhands that nobody sets, ${sum.orders} orders of rules.`
		);
		expect(wrong).toEqual([]);
	});
}

test('what is inherited is what the engine inherits', async ({ page }) => {
	await page.setContent('<!doctype html><body>');
	await page.evaluate(await inPageBundle());
	const { tried, wrong } = await page.evaluate(() => globalThis.cascadeCheck.checkInherited());
	console.log(`${tried} longhands tried.`);
	expect(wrong).toEqual([]);
	expect(tried).toBeGreaterThan(250);
});
