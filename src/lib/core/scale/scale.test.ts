import { done } from '../text/index.ts';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { rational, rationalFromNumber, toNumber } from '../interval/index.ts';
import { curveOfText, jointsOf, line, lineOver, over, valueOn } from '../length/index.ts';
import {
	declarationsOf,
	fluidText,
	NEW_SCALE,
	ratioThrough,
	readRatio,
	readSizes,
	recognise,
	scaleProblems,
	sizeAt,
	stepsOf,
	stepText,
	importSizes,
	through,
	toProperties,
	toTable,
	toTokens,
	withOwn,
	type Fluid,
	type Scale
} from './index.ts';

const OVER = over(rational(200), rational(3000));
const REM = lineOver(OVER, line(rational(16)));
const WRITING = { unit: 'vw', ends: 'rem', root: 16 } as const;
const HEIGHTS = { small: rational(800), large: rational(800), dynamic: rational(800) };

const curve = (text: string) => {
	const found = curveOfText(text, { over: OVER, em: REM, rem: REM, heights: HEIGHTS });
	if (found.kind === 'none') throw new Error(`${text}: ${found.sentence}`);
	return found.curve;
};

it('writes what a careful person would', () => {
	const of = (a: number, b: number): Fluid => ({
		from: { width: 360, size: a },
		to: { width: 1280, size: b }
	});
	expect(fluidText(of(16, 18), WRITING)).toBe('clamp(1rem, 0.951rem + 0.217vw, 1.125rem)');
	expect(fluidText(of(16, 16), WRITING)).toBe('1rem');
	expect(fluidText(of(28, 44), { ...WRITING, ends: 'px', unit: 'vi' })).toMatch(
		/^clamp\(28px, 21\.7\d*px \+ 1\.7\d*vi, 44px\)$/
	);
	expect(fluidText(of(40, 20), WRITING)).toMatch(/^clamp\(1\.25rem, 2\.989\d*rem - 2\.17\d*vw, 2\.5rem\)$/);
});

const fluids = fc
	.record({
		from: fc.integer({ min: 240, max: 900 }),
		span: fc.integer({ min: 60, max: 1500 }),
		a: fc.integer({ min: 60, max: 900 }),
		b: fc.integer({ min: 60, max: 1500 })
	})
	.map(({ from, span, a, b }) => ({
		from: { width: from, size: a / 7 },
		to: { width: from + span, size: b / 7 }
	}));

it('is within a hundredth of a px at both ends and knees, read back by the same lengths as any sheet', () => {
	fc.assert(
		fc.property(
			fluids,
			fc.constantFrom<'rem' | 'px'>('rem', 'px'),
			fc.constantFrom<'vw' | 'vi'>('vw', 'vi'),
			(fluid, ends, unit) => {
				const read = curve(fluidText(fluid, { unit, ends, root: 16 }));
				const knees = jointsOf(read).map(({ cut }) => toNumber(cut.at));
				for (const width of [fluid.from.width, fluid.to.width, 200, 3000, ...knees]) {
					const here = toNumber(valueOn(read, rationalFromNumber(width)) ?? rational(0));
					expect(Math.abs(here - sizeAt(fluid, width))).toBeLessThan(0.01);
				}
				expect(jointsOf(read).every(({ kind }) => kind === 'knee')).toBe(true);
			}
		),
		{ numRuns: 400 }
	);
});

it('has its steps from both ends, rounded where that is wanted, with sizes of one’s own over them', () => {
	const scale = withOwn(NEW_SCALE, 2, 'wide', 40);
	const steps = stepsOf(scale);
	expect(steps.map(({ step }) => step)).toEqual([4, 3, 2, 1, 0, -1]);
	expect(steps[0]?.narrow).toBeCloseTo(16 * 1.2 ** 4, 9);
	expect(steps[2]).toMatchObject({ wide: 40, own: ['wide'] });
	expect(steps[2]?.scaled.wide).toBeCloseTo(18 * (4 / 3) ** 2, 9);
	expect(stepsOf({ ...scale, round: 0.5 }).map(({ narrow }) => narrow * 2)).toSatisfy((all: number[]) =>
		all.every(Number.isInteger)
	);
	expect(stepsOf(withOwn(scale, 2, 'wide', null))[2]?.own).toEqual([]);
	const ratio = ratioThrough(NEW_SCALE, 3, 'wide', 60);
	expect(ratio && 18 * ratio ** 3).toBeCloseTo(60, 9);
	expect(ratioThrough(NEW_SCALE, 0, 'wide', 60)).toBeUndefined();
});

it.each([
	['4:3', 4 / 3],
	['1.2', 1.2],
	['wide', undefined],
	['4:0', undefined]
])('reads the ratio %s', (text, ratio) => {
	expect(readRatio(text)).toBe(ratio);
});

const changed = (change: Partial<Scale>): Scale => ({ ...NEW_SCALE, ...change });
const { narrow, wide, output } = NEW_SCALE;

it.each([
	[changed({ narrow: { ...narrow, ratio: 1 } }), 'A ratio of 1 makes no step larger'],
	[changed({ narrow: { ...narrow, ratio: 0.8 } }), 'has to be above 1'],
	[changed({ narrow: { ...narrow, width: 1500 } }), 'exchange them'],
	[changed({ narrow: { ...narrow, width: 1300 } }), 'no width between'],
	[changed({ wide: { ...wide, body: 0 } }), 'has to be above 0 px'],
	[changed({ wide: { ...wide, body: -3 } }), 'has to be above 0 px'],
	[changed({ up: 40 }), '40 steps above body size'],
	[changed({ own: [{ step: 1, end: 'wide', size: -2 }] }), '-2 is not'],
	[changed({ roles: [{ step: 1, name: ' ', selectors: [] }] }), 'wants a name'],
	[
		changed({
			roles: [
				{ step: 1, name: 'head', selectors: [] },
				{ step: 2, name: 'Head', selectors: [] }
			]
		}),
		'Two steps are called “Head”'
	],
	[changed({ output: { ...output, property: '--size' } }), '“--size” has none']
])('says what cannot be meant', (scale, sentence) => {
	expect(
		scaleProblems(scale)
			.map((one) => one.sentence)
			.join(' ')
	).toContain(sentence);
});

it('recognises a scale from its own sizes, and names the step that is off', () => {
	fc.assert(
		fc.property(
			fc.constantFrom(1.125, 1.2, 1.25, 4 / 3),
			fc.constantFrom(1.2, 1.25, 4 / 3, 1.5),
			fc.integer({ min: 0, max: 3 }),
			(low, high, odd) => {
				const own = stepsOf(
					changed({ narrow: { ...narrow, ratio: low }, wide: { ...wide, ratio: high }, down: 0 })
				);
				const sizes = own.map(({ step, narrow, wide }, i) => ({
					name: String(step),
					narrow,
					wide: i === odd ? wide * 1.07 : wide
				}));
				const found = recognise(sizes, sizes.at(-1) ?? { name: '', narrow: 16, wide: 16 });
				expect(found?.ratio.narrow).toBeCloseTo(low, 3);
				expect(found?.ratio.wide).toBeCloseTo(high, 3);
				expect(found?.steps.flatMap((one, i) => (one.fits ? [] : i))).toEqual([odd]);
				expect(found?.steps[odd]?.off.wide).toBeCloseTo((own[odd]?.wide ?? 0) * 0.07, 2);
			}
		)
	);
	const body = { name: 'body', narrow: 16, wide: 16 };
	expect(recognise([body, { name: 'a', narrow: 17.3, wide: 31 }], body)).toBeUndefined();
});

it('turns steps at breakpoints into one line, and says how far each band departs', () => {
	const found = through(
		curve('calc(20px + (sign(100vw - 600px) + 1) * 5px + (sign(100vw - 1000px) + 1) * 4px)'),
		OVER
	);
	expect(found?.fluid).toEqual({ from: { width: 600, size: 20 }, to: { width: 1000, size: 38 } });
	expect(found?.departs.map(({ by }) => Math.round(Math.abs(by)))).toContain(10);
	expect(through(curve('1rem'), OVER)).toBeUndefined();
});

it('goes out and comes back as tokens, custom properties and a table', () => {
	const scale = withOwn(NEW_SCALE, 3, 'narrow', 30);
	expect(readSizes(toTokens(scale), 16)).toEqual(done({ kind: 'scale', scale }));
	const sizes = stepsOf(scale).map(({ narrow, wide }) => [narrow, wide]);
	for (const text of [toTable(scale), toProperties(scale, 16)]) {
		const of = readSizes(text, 16);
		if (!of.ok || of.value.kind !== 'sizes') throw new Error(JSON.stringify(of));
		const read = of.value;
		expect(read.widths).toEqual({ narrow: 400, wide: 1300 });
		read.sizes.forEach((one, i) => {
			expect(Math.abs(one.narrow - (sizes[i]?.[0] ?? 0))).toBeLessThan(0.011);
			expect(Math.abs(one.wide - (sizes[i]?.[1] ?? 0))).toBeLessThan(0.011);
		});
	}
	const foreign = JSON.stringify({
		size: { $type: 'dimension', big: { $value: { value: 2, unit: 'rem' } } }
	});
	expect(readSizes(foreign, 16)).toMatchObject({
		value: { sizes: [{ name: 'size-big', narrow: 32, wide: 32 }] }
	});
	expect(stepText(scale, { narrow: 16, wide: 18 }, 16)).toContain('clamp(1rem');
});

it.each([
	['{', 'This is no JSON'],
	['{"a": 3}', 'No token'],
	['', 'empty'],
	['name,360,1280\nbig,no,3', 'Line 2'],
	[':root { --a: red }', 'No custom property'],
	[
		`{"$extensions": {"vantaggio.scale": ${JSON.stringify({ ...NEW_SCALE, up: 40 })}}}`,
		'up: 40 is more than 12'
	]
])('says what is wrong with the file %s', (text, sentence) => {
	const read = readSizes(text, 16);
	expect(!read.ok && read.sentence).toContain(sentence);
});

it('makes a scale of sizes that come in, with what is off it, and keeps what elements steps have', () => {
	const table = toTable(withOwn(NEW_SCALE, 2, 'wide', 40));
	const { scale, sentence } = importSizes(readSizes(table, 16), {
		...NEW_SCALE,
		narrow: { ...narrow, ratio: 1.5 }
	});
	expect(sentence).toBe('6 sizes imported as a scale; subhead off it.');
	expect(scale?.narrow.ratio).toBeCloseTo(1.2, 3);
	expect(scale?.wide).toMatchObject({ width: 1300, body: 18 });
	expect(scale?.own.find(({ end }) => end === 'wide')).toEqual({ step: 2, end: 'wide', size: 40 });
	expect(scale?.roles.find(({ name }) => name === 'title')).toMatchObject({ step: 4, selectors: ['h1'] });
	expect(importSizes(readSizes('name,1,2\na,17,31\nb,19,20', 16), NEW_SCALE)).toMatchObject({ scale: null });
	expect(importSizes(readSizes('{', 16), NEW_SCALE).sentence).toContain('Nothing was imported');
});

it('is written as custom properties, rules and classes, with weight, line height and space once for all', () => {
	const scale: Scale = {
		...NEW_SCALE,
		up: 1,
		down: 0,
		roles: [{ step: 1, name: 'Big Head', selectors: ['h1'] }],
		groups: [{ roles: ['Big Head'], weight: '700', line: [1.2, 1.1] }],
		spaces: [{ name: 'gap', times: 2 }],
		output: { ...output, classes: true }
	};
	const all = declarationsOf(scale, 16).map(
		({ selector, property, value }) => `${selector} ${property}: ${value}`
	);
	expect(all).toEqual([
		':root --size-big-head: clamp(1.2rem, 1.067rem + 0.533vw, 1.5rem)',
		':root --space-gap: clamp(2rem, 1.889rem + 0.444vw, 2.25rem)',
		'h1 font-size: var(--size-big-head)',
		'h1 font-weight: 700',
		expect.stringMatching(/^h1 line-height: clamp\(1\.44rem, .*, 1\.65rem\)$/),
		'.size-big-head font-size: var(--size-big-head)',
		'.size-big-head font-weight: 700',
		expect.stringContaining('.size-big-head line-height: clamp(')
	]);
	const bare = declarationsOf({ ...scale, output: { ...output, properties: false, fallback: true } }, 16);
	expect(bare[0]).toMatchObject({ selector: 'h1', fallback: '1.2rem' });
});
