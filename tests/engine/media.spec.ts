import type { BrowserContextOptions } from '@playwright/test';
import { evaluate, parseMediaQueryList } from '../../src/lib/core/media/index.ts';
import { PLAIN, type Vantage } from '../../src/lib/core/vantage/index.ts';
import { expect, test } from '../fixtures.ts';
import { QUERIES } from './queries.ts';

interface Case {
	readonly vantage: Vantage;
	readonly context: BrowserContextOptions;
	/** Zoom of an inner frame that has the vantage's size; 0 where the page itself has it. */
	readonly zoom: number;
}

const SIZES = [
	[320, 568],
	[390, 780],
	[599, 700],
	[600, 600],
	[768, 1024],
	[1280, 720],
	[1536, 864],
	[2200, 1200]
] as const;
const TOUCH = { pointer: 'coarse', hover: 'none', anyPointer: ['coarse'], anyHover: 'none' } as const;

const plain = SIZES.map(([width, height]): Case => ({
	vantage: { ...PLAIN, width, height },
	context: {},
	zoom: 0
}));
const varied: Case[] = [
	{
		vantage: { ...PLAIN, width: 390, height: 780, density: 3, ...TOUCH },
		context: { deviceScaleFactor: 3, hasTouch: true, isMobile: true },
		zoom: 0
	},
	{
		vantage: { ...PLAIN, width: 768, height: 1024, density: 2, ...TOUCH },
		context: { deviceScaleFactor: 2, hasTouch: true, isMobile: true },
		zoom: 0
	},
	{
		vantage: { ...PLAIN, width: 1280, height: 720, density: 1.5 },
		context: { deviceScaleFactor: 1.5 },
		zoom: 0
	},
	{ vantage: { ...PLAIN, width: 1280, height: 800, density: 2 }, context: { deviceScaleFactor: 2 }, zoom: 0 },
	{
		vantage: { ...PLAIN, width: 700, height: 500, colorScheme: 'dark' },
		context: { colorScheme: 'dark' },
		zoom: 0
	},
	{
		vantage: { ...PLAIN, width: 700, height: 500, reducedMotion: true },
		context: { reducedMotion: 'reduce' },
		zoom: 0
	},
	{
		vantage: { ...PLAIN, width: 601, height: 900, contrast: 'more' },
		context: { contrast: 'more' },
		zoom: 0
	},
	{
		vantage: { ...PLAIN, width: 600, height: 400, colorScheme: 'dark', reducedMotion: true, density: 2 },
		context: { colorScheme: 'dark', reducedMotion: 'reduce', deviceScaleFactor: 2 },
		zoom: 0
	}
];
/** Between pixels: in an inner frame, zoomed, so that its density is the zoom. */
const FRACTIONS = [
	[599.5, 700, 2],
	[599.25, 600.5, 4],
	[599.75, 800, 4],
	[600.5, 900.5, 2],
	[1279.5, 720, 2],
	[640.125, 500, 8],
	[599.9375, 700, 16],
	[600.0625, 700, 16]
] as const;
const fractional = FRACTIONS.map(([width, height, zoom]): Case => ({
	vantage: { ...PLAIN, width, height, density: zoom },
	context: {},
	zoom
}));

const CASES = [...plain, ...varied, ...fractional];

/** Where the engine is known to answer differently, and why. */
const EXCEPTIONS: readonly {
	readonly name: string;
	readonly applies: (query: string, of: Case) => boolean;
}[] = [
	{
		name: 'an inner frame has the screen of its window: device-width, device-height and their ratio are not the vantage’s',
		applies: (query, { zoom }) => zoom > 0 && query.includes('device-') && !/pixel|posture/.test(query)
	},
	{
		name: 'features of Media Queries 5 that this engine does not know, so that they are unknown to it',
		applies: (query) =>
			/\((nav-controls|environment-blending|video-dynamic-range|prefers-reduced-data|inverted-colors)/.test(
				query
			)
	},
	{
		name: 'this engine answers no to scan, whatever the value',
		applies: (query) => query.startsWith('(scan')
	},
	{
		name: 'this engine does not know the resolution infinite',
		applies: (query) => query.includes('infinite')
	},
	{
		name: 'this engine compares dots per centimetre at two decimals of a dppx',
		applies: (query) => query.includes('dpcm')
	},
	{ name: 'ex in a media query is that of the default font', applies: (query) => query.includes('ex)') }
];

/** The engine treats lengths within 1/64 px as equal in <=, >=, = and their prefixes. */
const TOLERANCE = 1 / 64;

function withinTolerance(
	list: ReturnType<typeof parseMediaQueryList>,
	vantage: Vantage,
	engine: boolean
): boolean {
	const shifts = [-TOLERANCE, 0, TOLERANCE];
	return shifts.some((w) =>
		shifts.some(
			(h) => evaluate(list, { ...vantage, width: vantage.width + w, height: vantage.height + h }) === engine
		)
	);
}

test('core and the engine agree on every media query in every condition', async ({ browser }) => {
	expect(QUERIES.length).toBeGreaterThanOrEqual(400);
	expect(CASES.length).toBeGreaterThanOrEqual(24);
	const lists = QUERIES.map(parseMediaQueryList);
	const disagreements = new Map<string, string>();
	const excused = new Map<string, number>();
	let compared = 0;
	for (const one of CASES) {
		const { vantage, context, zoom } = one;
		const size = zoom ? { width: 1400, height: 1000 } : { width: vantage.width, height: vantage.height };
		const page = await (await browser.newContext({ ...context, viewport: size, screen: size })).newPage();
		await page.setContent(
			'<!doctype html><meta name="viewport" content="width=device-width, initial-scale=1"><body style="margin:0">'
		);
		const answers = await page.evaluate(
			({ queries, width, height, zoom }) => {
				let window: Window = globalThis.window;
				if (zoom) {
					const frame = document.createElement('iframe');
					frame.style.cssText = `border:0;width:${width}px;height:${height}px;zoom:${zoom}`;
					document.body.append(frame);
					window = frame.contentWindow as Window;
				}
				return queries.map((query) => window.matchMedia(query).matches);
			},
			{ queries: QUERIES, width: vantage.width, height: vantage.height, zoom }
		);
		await page.context().close();
		QUERIES.forEach((query, i) => {
			compared++;
			const list = lists[i] ?? [];
			const engine = answers[i] ?? false;
			const core = evaluate(list, vantage);
			if (core === engine) return;
			const exception = EXCEPTIONS.find(({ applies }) => applies(query, one));
			const whole = { ...vantage, width: Math.floor(vantage.width), height: Math.floor(vantage.height) };
			const name =
				exception?.name ??
				(withinTolerance(list, vantage, engine)
					? 'lengths within 1/64 px are equal to the engine'
					: query.includes('aspect-ratio') && evaluate(list, whole) === engine
						? 'between pixels the engine takes whole px for aspect-ratio'
						: null);
			if (name) excused.set(name, (excused.get(name) ?? 0) + 1);
			else
				disagreements.set(query, `core ${core}, engine ${engine} at ${JSON.stringify({ ...vantage, zoom })}`);
		});
	}
	console.log(`${compared} answers compared: ${QUERIES.length} queries under ${CASES.length} conditions.`);
	for (const [name, count] of excused) console.log(`  ${count} excused: ${name}`);
	expect(Object.fromEntries(disagreements)).toEqual({});
});
