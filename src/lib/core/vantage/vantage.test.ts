import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import schema from '../../../../docs/vantages.schema.json';
import {
	heightsOf,
	NO_SWITCHES,
	PLAIN,
	readVantages,
	seenVantage,
	SHIPPED,
	switchesInWords,
	vantageInWords,
	vantageProblems,
	vantagesFileSchema,
	writeVantages
} from './index.ts';

const file = (...vantages: unknown[]): string => JSON.stringify({ format: 'vantaggio-vantages-1', vantages });
const of = (text: string): string => {
	const read = readVantages(text);
	return !read.ok ? read.sentence : read.value.map(({ name }) => name).join();
};

describe('vantages as a file', () => {
	it('come back as they went', () => {
		expect(readVantages(writeVantages(SHIPPED))).toMatchObject({ ok: true, value: SHIPPED });
	});

	it('may leave out what a plain window has', () => {
		expect(readVantages(file({ name: 'A', width: 500, height: 400 }))).toMatchObject({
			ok: true,
			value: [{ ...PLAIN, name: 'A', width: 500, height: 400 }]
		});
	});

	it.each([
		['{', /^This is no JSON: /],
		['[]', /^This is no list of vantages: \[\] is no object\.$/],
		['{"devices": []}', /^This is no list of vantages: format /],
		[
			file({ name: 'A', width: 0, height: 5000 }),
			'Vantage 1 (“A”), width: 0 is less than 100. Nothing was imported.'
		],
		[file({ name: 'A', width: 100000, height: 500 }), /width: 100000 is more than 7680/],
		[file({ name: 'A', width: 500, height: 500, density: 0 }), /density: 0 is less than 0.5/],
		[file({ name: 'A', width: '500', height: 500 }), /width: "500" is no number/],
		[file({ name: 'A', height: 500 }), /width: a number is missing/],
		[file({ name: 'A', width: 500, height: 500, notch: 3 }), /Vantage 1 \(“A”\): knows no notch/],
		[
			file({ name: 'A', width: 500, height: 500, pointer: 'pen' }),
			/pointer: "pen" is none of none, coarse, fine/
		],
		[
			file({ name: 'A', width: 500, height: 500, bars: { top: 1, bottom: 1, state: 'up' } }),
			/bars.state: "up"/
		],
		[
			file({ name: 'A', width: 500, height: 500 }, { name: 'a ', width: 500, height: 500 }),
			/^Two vantages are called “a”\.$/
		]
	])('%s', (text, sentence) => {
		expect(of(text)).toMatch(sentence);
	});

	it('have the schema that is in the docs', () => {
		expect(schema).toEqual(z.toJSONSchema(vantagesFileSchema, { io: 'input' }));
	});
});

it('fields of a vantage are checked by name', () => {
	expect([...vantageProblems({ ...PLAIN, width: NaN, zoom: 9 })]).toEqual([
		['width', expect.stringContaining('no number')],
		['zoom', '9 is more than 5']
	]);
	expect(vantageProblems(PLAIN).size).toBe(0);
});

describe('what a page sees', () => {
	it('is less of denser px under zoom, switched or its own', () => {
		const [, handset = PLAIN] = SHIPPED;
		const seen = seenVantage({ ...handset, zoom: 4 }, { ...NO_SWITCHES, zoom: 2, textSize: 24 });
		expect(seen).toMatchObject({ width: 200, height: 400, density: 5, zoom: 1, defaultFontSize: 24 });
		expect(heightsOf(seen)).toEqual({ small: 400, large: 432, dynamic: 400 });
		expect(heightsOf({ ...handset, bars: { ...handset.bars, state: 'in' } }).dynamic).toBe(864);
	});

	it('is said in words', () => {
		expect(vantageInWords(PLAIN)).toEqual([]);
		expect(vantageInWords(SHIPPED[1] ?? PLAIN)).toEqual([
			'touch',
			'bars 0 + 64 px, out',
			'safe area bottom 28 px'
		]);
		expect(switchesInWords({ ...NO_SWITCHES, zoom: 2, rightToLeft: true })).toEqual([
			'zoom 200 %',
			'right to left'
		]);
	});
});
