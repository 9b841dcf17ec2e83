import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Frame } from '@playwright/test';
import {
	bring,
	errorsOf,
	expect,
	framesShown,
	openBench,
	pageFrames,
	test,
	type Server
} from '../fixtures.ts';
import { LAUNCH } from '../launch.ts';
import { settled } from '../rest.ts';

/**
 * Markup that makes a browser connect to a host, or look its name up, without any script; `@` stands for the host. Told
 * by the browser's own log, since a server that listens sees no look-ups. With a profile that lasts: one that does not
 * connects to nothing ahead.
 */
const LINKS = [
	'preconnect',
	'dns-prefetch',
	'preload as=image',
	'modulepreload',
	'prefetch',
	'prerender',
	'icon',
	'manifest'
];
const link = (rel: string): string => `<link rel=${rel} href="http://@/a">`;
const VECTORS = [
	...LINKS.map(link),
	...LINKS.map((rel) => `<div><template shadowrootmode=open>${link(rel)}</template></div>`),
	...['preconnect', 'dns-prefetch'].flatMap((rel) => [
		`<select>${link(rel)}</select>`,
		`<select><option><span>${link(rel)}</span></option></select>`,
		`<div><template shadowrootmode=closed><p><template shadowrootmode=open>${link(rel)}</template></p></template></div>`,
		`<x-y><template shadowrootmode=OPEN shadowrootdelegatesfocus>${link(rel)}</template></x-y>`,
		`<link rel="${'x '.repeat(25)}${rel}" href="http://@/a">`,
		`<link rel="${rel} stylesheet" href="http://@/a">`,
		`<div><template shadowrootmode=open><link rel="${rel} stylesheet" href="http://@/a"></template></div>`,
		`<link rel=x rel=${rel} href="http://@/a">`,
		`<svg><foreignObject>${link(rel)}</foreignObject></svg>`,
		`<svg><desc>${link(rel)}</desc></svg>`,
		`<math><annotation-xml encoding="text/html">${link(rel)}</annotation-xml></math>`,
		`<table>${link(rel)}</table>`,
		`<noscript>${link(rel)}</noscript>`,
		`<template>${link(rel)}</template>`
	]),
	'<meta http-equiv=x-dns-prefetch-control content=on><a href="http://@/a">x</a>',
	'<meta http-equiv=refresh content="0;url=http://@/a">',
	'<meta http-equiv=Link content="<http://@/a>; rel=preconnect">',
	'<a href="//@/a">a</a><area href="http://@/a">',
	'<svg><a href="http://@/a"><text y=9>x</text></a><a xlink:href="http://@/b"><text>y</text></a></svg>',
	'<img src="http://@/a"><picture><source srcset="http://@/a"><img></picture>',
	'<div><template shadowrootmode=open><img src="http://@/a"><iframe src="http://@/b"></iframe></template></div>',
	'<video src="http://@/a" poster="http://@/b"></video><audio src="http://@/c" autoplay></audio>',
	'<div><template shadowrootmode=open><style>@import "http://@/a"; b { background: url(http://@/b) }</style><b>x</b></template></div>',
	'<script src="http://@/a"></script><script type=speculationrules>{"prefetch":[{"urls":["http://@/a"]}]}</script>',
	'<iframe src="http://@/a"></iframe><object data="http://@/a"></object><embed src="http://@/a">',
	'<fencedframe src="http://@/a"></fencedframe><portal src="http://@/a"></portal>',
	'<form action="http://@/a"><input name=q><button type=submit formaction="http://@/b">x</button></form>',
	'<input type=image src="http://@/a"><body background="http://@/a">',
	'<svg><use href="http://@/a#b"/><image href="http://@/a"/><feImage href="http://@/a"/></svg>',
	'<p style="background: url(http://@/a); list-style: url(http://@/b)">x</p>',
	'<link rel=stylesheet href="http://@/a"><link rel="alternate stylesheet" title=t href="http://@/a">',
	'<link rel=compression-dictionary href="http://@/a"><link rel=expect href="http://@/a">',
	'<img attributionsrc="http://@/a" src=x><a attributionsrc="http://@/a" href="#x">x</a>'
];
const host = (i: number | string): string => `vector-${i}.test`;

test('nothing in a page connects to another host or looks its name up, seen or used', async ({ server }) => {
	const folder = await mkdtemp(join(tmpdir(), 'vantaggio-profile-'));
	const log = join(folder, 'net.json');
	const context = await chromium.launchPersistentContext(join(folder, 'profile'), {
		...LAUNCH,
		viewport: { width: 1280, height: 800 },
		args: [...(LAUNCH.args ?? []), `--log-net-log=${log}`]
	});
	const site = await bring(server, {
		'index.html': `<!doctype html><title>x</title><body>${VECTORS.map((one, i) => `<section>${one.replaceAll('@', host(i))}</section>`).join('\n')}<p id=last>last`
	});
	const errors = errorsOf(context);
	const page = await context.newPage();
	await openBench(page, server, site);
	const lead = pageFrames(page)[0] as Frame;
	await expect(lead.locator('#last')).toBeVisible();
	await page.keyboard.press('u');
	await expect(page.getByText('using the page, Esc to leave')).toBeVisible();
	for (const one of await lead.locator('a[href], button[formaction]').all()) {
		await one.hover({ force: true });
		for (const button of ['left', 'middle'] as const) await one.click({ force: true, button });
		await one.click({ force: true, modifiers: ['Control'] });
	}
	await lead.locator('input[name=q]').press('Enter');
	await expect(lead.locator('#last')).toBeVisible();
	expect(pageFrames(page)[0]).toBe(lead);
	expect(context.pages().filter((one) => one.url() !== 'about:blank')).toHaveLength(1);
	// The log does tell: of a page that connects to a host, and of a link that a browser looks up ahead.
	const other = await context.newPage();
	await other.route('**/control', (route) =>
		route.fulfill({
			contentType: 'text/html',
			body: `<link rel=preconnect href="http://${host('control')}">`
		})
	);
	await other.goto(`${server.url}/control`);
	await expect(other.locator('link')).toHaveCount(1);
	await context.close();
	expect(errors).toEqual([]);
	const text = await readFile(log, 'utf8');
	const told = [...new Set(text.match(/vector-\w+\.test/g))];
	expect(told).toEqual([host('control')]);
	console.log(`${VECTORS.length} ways to reach another host tried.`);
	await rm(folder, { recursive: true, force: true });
});

/** A page with links and forms that would take its frame away. */
const LEAVING = `<!doctype html><title>x</title><base href="/deep/" target=_top>
<a id=abs href="http://outside.test/">a</a> <a id=mail href="mailto:a@outside.test">m</a> <a id=top target=_top href="/api/sites">t</a>
<a id=self href="/index.html#goal">self</a> <a id=frag href="#goal">frag</a> <a id=js href="javascript:0">js</a> <a id=down download href=x>d</a>
<svg width=60 height=20><a id=xlink xlink:href="http://outside.test/"><text y=15>svg</text></a></svg>
<math><mi id=math href="http://outside.test/">x</mi></math>
<map name=m><area id=area shape=default href="http://outside.test/"></map>
<form id=form action="http://outside.test/" target=_top><input id=q name=q><button id=send formtarget=_self>s</button></form>
<form id=get action="/other.html"><input id=r name=r></form>
<div id=shadow><template shadowrootmode=closed><a href="http://outside.test/">in</a><form action="/other.html"><button>go</button></form></template></div>
<p style="height: 3000px"></p><p id=goal>goal</p>`;

async function openLeaving(page: import('@playwright/test').Page, server: Server): Promise<Frame> {
	const site = await bring(server, {
		'index.html': LEAVING,
		'deep/other.html': '<!doctype html><title>Other</title><h1>Other</h1>'
	});
	await openBench(page, server, site, '?page=index.html');
	return pageFrames(page)[0] as Frame;
}

test('no click and no key takes a frame away; a fragment is gone to on the page', async ({
	page,
	server
}) => {
	const lead = await openLeaving(page, server);
	const popups: string[] = [];
	page.context().on('page', (popup) => popups.push(popup.url()));
	await page.keyboard.press('u');
	await expect(page.getByText('using the page, Esc to leave')).toBeVisible();
	const ids = [
		'abs',
		'mail',
		'top',
		'js',
		'down',
		'xlink',
		'math',
		'area',
		'send',
		'shadow a',
		'shadow button'
	];
	for (const id of ids) {
		const one = lead.locator(`#${id}`);
		if (id !== 'area') await one.click({ force: true });
		await one.dispatchEvent('click', { ctrlKey: true });
		await one.dispatchEvent('auxclick', { button: 1 });
	}
	for (const id of ['q', 'r']) await lead.locator(`#${id}`).press('Enter');
	await lead.locator('#abs').focus();
	for (const keys of ['Enter', 'Control+Enter', 'Shift+Enter', 'Alt+Enter']) await page.keyboard.press(keys);
	expect(await lead.evaluate(() => scrollY)).toBe(0);
	await lead.locator('#self').click();
	expect(await settled(page, () => lead.evaluate(() => scrollY))).toBeGreaterThan(1000);
	await lead.evaluate(() => scrollTo(0, 0));
	// With a base, a bare fragment leads to another page.
	await lead.locator('#frag').click();
	expect(pageFrames(page)).toHaveLength(4);
	await expect(lead.locator('#goal')).toHaveText('goal');
	expect(popups).toEqual([]);
	expect(page.url()).toContain('page=index.html');
});

test('a frame whose page something took away is made anew, and says so', async ({ page, server }) => {
	const lead = await openLeaving(page, server);
	await lead.locator('#goal').waitFor();
	// As an error page of the browser would.
	await lead.evaluate(() => location.replace('data:text/html,gone')).catch(() => undefined);
	await expect(page.getByText('A page had left its frame; it was loaded again.')).toBeVisible();
	await framesShown(page, 4);
	for (const frame of pageFrames(page)) await expect(frame.locator('#goal')).toHaveText('goal');
});
