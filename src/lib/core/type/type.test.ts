import fc from 'fast-check';
import { expect, it } from 'vitest';
import { caseOf } from '../cascade/case.fixture.ts';
import { contains, printIntervalSet, rational, rationalFromNumber, toNumber } from '../interval/index.ts';
import { snapshot } from '../snapshot/snapshot.fixture.ts';
import { curveOfText, line, lineOver, over, valueOn, type Curve } from '../length/index.ts';
import {
	brokenIn,
	deafNote,
	hierarchyNotes,
	lineChanges,
	lineWords,
	nestedNote,
	nextForLines,
	notesOfSize,
	notesOfValue,
	ratioOf,
	sizing,
	zoomFault
} from './index.ts';

const ASKED = over(rational(240), rational(2560));
const WIDE = over(rational(40), rational(6000));
const HEIGHTS = { small: rational(700), large: rational(800), dynamic: rational(700) };
const contextOf = (on: typeof WIDE, root = 16) => {
	const size = lineOver(on, line(rational(root)));
	return { over: on, em: size, rem: size, heights: HEIGHTS };
};
const curve = (text: string, on = WIDE, root = 16): Curve => {
	const found = curveOfText(text, contextOf(on, root));
	if (found.kind === 'none') throw new Error(found.sentence);
	return found.curve;
};

it.each([
	['5.6vw', '240–2560', null],
	['clamp(1rem, 2vw, 3rem)', '2000<–<4800', 40],
	['clamp(1rem, 0.5rem + 2vw, 2.5rem)', 'none', null],
	['clamp(1.1rem, 0.7rem + 1.6vw, 2rem)', 'none', null],
	['clamp(16px, 5vw, 96px)', '800<–2560', 40],
	['2rem', 'none', null]
])('tells where %s cannot reach 200 %% by zoom', (text, widths, most) => {
	const fault = zoomFault(
		curve(text),
		text.includes('2vw, 3rem') ? over(rational(240), rational(5000)) : ASKED
	);
	expect(fault ? printIntervalSet(fault.widths) : 'none').toBe(widths);
	expect(fault?.most ? toNumber(fault.most) : null).toBe(most);
});

const sizes = fc
	.record({
		least: fc.integer({ min: 8, max: 40 }),
		rem: fc.integer({ min: -8, max: 32 }),
		vw: fc.integer({ min: 0, max: 60 }),
		span: fc.integer({ min: 0, max: 90 }),
		step: fc.integer({ min: 0, max: 12 })
	})
	.map(
		({ least, rem, vw, span, step }) =>
			`calc(clamp(${least}px, ${rem / 8}rem + ${vw / 10}vw, ${least + span}px) + (sign(100vw - 700px) + 1) * ${step}px)`
	);

it('tells of zoom what trying every zoom tells', () => {
	let [faults, tried] = [0, 0];
	fc.assert(
		fc.property(
			sizes,
			fc.array(fc.integer({ min: 240, max: 2560 }), { minLength: 10, maxLength: 10 }),
			(text, widths) => {
				const size = curve(text);
				const at = (width: number): number =>
					toNumber(valueOn(size, rationalFromNumber(width)) ?? rational(0));
				const fault = zoomFault(size, ASKED);
				for (const width of widths) {
					const zooms = Array.from({ length: 201 }, (_, i) => 1 + i / 50);
					// Ends of pieces are reached at zooms of their own.
					const ends = size.flatMap(({ from, to }) =>
						[toNumber(from.at), toNumber(to.at)].flatMap((end) => [width / end, width / (end + 1e-6)])
					);
					const best = Math.max(
						...[...zooms, ...ends].filter((z) => z >= 1 && z <= 5).map((z) => z * at(width / z))
					);
					const short = fault !== null && contains(fault.widths, rational(width));
					tried++;
					if (short) faults++;
					if (short) expect(best).toBeLessThan(2 * at(width) + 1e-3);
					else expect(best).toBeGreaterThan(2 * at(width) - 1e-3);
				}
			}
		),
		{ numRuns: 100 }
	);
	expect(tried).toBe(1000);
	expect(faults).toBeGreaterThan(50);
});

it.each([
	[
		'clamp(3rem, 2vw, 1rem)',
		'The minimum is above the maximum, ≥40–6000: the minimum wins there.',
		'ends-exchanged'
	],
	['clamp(1rem, 0.1vw, 2rem)', 'in force at no width', 'middle-idle'],
	['calc(1rem + 1vh)', '“vh” lets the size go by the height', 'height']
])('wonders about the value %s', (text, sentence, kind) => {
	const [note] = notesOfValue(text, contextOf(WIDE));
	expect(note?.kind).toBe(kind);
	expect(note?.sentence).toContain(sentence.replace('≥40', '40'));
});

it('wonders about sizes: small, by the window alone, a knee outside, a step against the curve', () => {
	const kinds = (text: string): string[] => notesOfSize(curve(text), ASKED).map(({ kind }) => kind);
	expect(kinds('max(11px, 1vw)')).toEqual(['small', 'window-alone']);
	expect(kinds('clamp(1rem, 0.9rem + 0.05vw, 1.2rem)')).toEqual(['knee-outside']);
	expect(kinds('calc(2rem + 1vw - (sign(100vw - 700px) + 1) * 2px)')).toEqual(['against', 'against']);
	expect(kinds('clamp(1rem, 0.5rem + 2vw, 2.5rem)')).toEqual([]);
});

it('tells levels that cross, shares within shares, and what does not follow the browser’s text size', () => {
	const levels = [
		{ name: 'h1', curve: curve('clamp(2rem, 1rem + 2vw, 3rem)', ASKED) },
		{ name: 'h2', curve: curve('calc(1.5rem + (sign(100vw - 1400px) + 1) * 14px)', ASKED) },
		{ name: 'h3', curve: curve('1.4rem', ASKED) }
	];
	const notes = hierarchyNotes(levels, 1.1);
	expect(notes.map(({ sentence }) => sentence)).toEqual([
		'h2 is larger than h1, 1400<–2560.',
		'h2 is less than 1.1 times as large as h3, 240–<1400.'
	]);
	const source = (value: string) => [{ over: ASKED, from: undefined, up: 0, value }];
	expect(nestedNote(source('0.6em'), source('60%'))?.sentence).toContain('0.36 of the size beyond');
	expect(nestedNote(source('0.6em'), source('2rem'))).toBeUndefined();
	const deaf = (text: string) => deafNote(curve(text, ASKED), curve(text, ASKED, 24), 1.5)?.sentence;
	expect(deaf('20px')).toContain('does not follow');
	expect(deaf('calc(1rem + 4px)')).toContain('in part only');
	expect(deaf('2rem')).toBeUndefined();
});

it('has the ratio of two sizes at every width, flat or not', () => {
	const [size, of] = [curve('clamp(1rem, 2vw, 3rem)', ASKED), curve('clamp(1.5rem, 3vw, 4.5rem)', ASKED)];
	expect(ratioOf(size, of)?.flat).toBeCloseTo(2 / 3, 12);
	const other = ratioOf(curve('1rem', ASKED), of);
	expect(other).toMatchObject({ flat: null });
	expect(other && printIntervalSet(other.widths)).toBe('800<–2560');
});

it('goes by the declaration that wins in each stretch, and by the size around', () => {
	const page = (css: string): string => `<style>${css}</style><p><b id=x class=x>`;
	const css = '.x { font-size: 1.5em } @media (width >= 700px) { .x { font-size: 2vw } }';
	const of = (wide: boolean) => caseOf(page(css), ({ kind }) => kind === 'media' && wide);
	const root = caseOf('<p>');
	const { size, length } = sizing(
		[
			{ tag: 'html', parent: -1, monospace: false, at: () => root },
			{ tag: 'h2', parent: 0, monospace: false, at: () => root },
			{ tag: 'b', parent: 1, monospace: false, at: (width) => of(width >= 700) }
		],
		{
			stretches: [
				{ from: ASKED.from, to: { at: rational(700), after: false } },
				{ from: { at: rational(700), after: false }, to: ASKED.to }
			],
			heights: HEIGHTS,
			defaultSize: 16
		}
	);
	const { curve: found, sources } = size(2);
	expect(
		[300, 699, 700, 1000].map((width) => toNumber(valueOn(found ?? [], rational(width)) ?? rational(0)))
	).toEqual([36, 36, 14, 20]);
	expect(sources.map(({ value }) => value)).toEqual(['1.5em', '2vw']);
	expect(length(2, 'padding-left').why).toContain('No declaration');
});

it('counts lines, characters and a word that is left alone, of an element with all that is in it', () => {
	const of = snapshot(
		[
			[-1, 0, 0, 400, 100, true],
			[0, 0, 0, 400, 60, true],
			[1, 200, 0, 100, 20, true]
		],
		[
			[1, 0, 0, 200, 20, 3],
			[2, 200, 2, 100, 18, 2],
			[1, 0, 20, 100, 20, 1]
		]
	);
	expect(brokenIn(of, new Map([[1, 80]])).get(1)).toEqual({ lines: 2, characters: 60, orphan: true });
	const known = new Map([
		[240, 3],
		[300, 2],
		[301, 2],
		[302, 1]
	]);
	expect(lineChanges(known).map(({ before, after }) => [before, after])).toEqual([
		[240, 300],
		[301, 302]
	]);
	expect(nextForLines([known])).toEqual([270]);
	expect(lineWords(lineChanges(known))).toBe('3 up to 240–300, 2 up to 301');
});
