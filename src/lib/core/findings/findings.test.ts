import { describe, expect, it } from 'vitest';
import { FLAG } from '../snapshot/index.ts';
import { snapshot, type Drawn } from '../snapshot/snapshot.fixture.ts';
import { amountOf } from './settings.ts';
import { findingKey, findingOf, KINDS, pathsOf, readingsOf } from './index.ts';

type Lines = Parameters<typeof snapshot>[1];

/** What a kind reads, by key, in a page of a root, a body and some elements after these. */
function read(kind: string, elements: readonly Drawn[], lines: Lines = [], change = {}) {
	const page: Drawn[] = [[-1, 0, 0, 400, 800, true], [0, 0, 0, 400, 800, true], ...elements];
	const of = { ...snapshot(page, lines), ...change };
	of.tags.forEach((_, i) => {
		if (i < 2) (of.tags as string[])[i] = ['html', 'body'][i] as string;
	});
	return readingsOf(
		of,
		KINDS.filter(({ name }) => name === kind)
	);
}

/** What of a kind is there, by key, with how much. */
const finder =
	(kind: string) =>
	(...page: [readonly Drawn[], Lines?, object?]): Record<string, number | string> =>
		Object.fromEntries(
			[...read(kind, ...page)]
				.filter(([, by]) => typeof by === 'string' || by > 0)
				.map(([key, by]) => [key, typeof by === 'string' || kind !== 'sideways' ? by : amountOf(key, by)])
		);

it('elements are known by their paths', () => {
	const page = snapshot([-1, 0, 1, 1, 0].map((parent) => [parent, 0, 0, 1, 1, true]));
	expect(pathsOf(page)).toEqual(['', '0', '0.0', '0.1', '1']);
	expect(findingOf(findingKey('overlap', '0.1', '1'))).toMatchObject({
		kind: { name: 'overlap' },
		paths: ['0.1', '1']
	});
	expect(findingOf('other 0')).toBeUndefined();
});

describe('sideways', () => {
	const found = finder('sideways');
	const wide: Drawn = [1, 0, 0, 430, 50, true];
	/** The page can be scrolled to a width. */
	const to = (pageWidth: number) => ({ pageWidth });
	it('names the outermost that reaches beyond the window, or whose text does', () => {
		expect(found([wide, [2, 0, 0, 460, 20, true]], [], to(460))).toEqual({ 'sideways 0.0': 30 });
		expect(found([[1, 0, 0, 300, 50, true]], [[2, 0, 0, 412, 20]], to(412))).toEqual({ 'sideways 0.0': 12 });
	});
	it.each<[string, readonly Drawn[]]>([
		['ends at the edge', [[1, 0, 0, 400, 50, true]]],
		[
			'is cut by what is around it',
			[
				[1, 0, 0, 300, 50, true, FLAG.clips],
				[2, 0, 0, 460, 20, true]
			]
		],
		[
			'can be scrolled in what is around it',
			[
				[1, 0, 0, 300, 50, true, FLAG.clips | FLAG.scrollsX],
				[2, 0, 0, 460, 20, true]
			]
		],
		['is fixed', [[1, 0, 0, 430, 50, true, FLAG.fixed]]],
		[
			'is in what is fixed',
			[
				[1, 0, 0, 30, 50, true, FLAG.fixed],
				[2, 0, 0, 430, 50, true, FLAG.absolute]
			]
		]
	])('says nothing of what %s', (_, elements) => {
		expect(found(elements)).toEqual({});
	});
	it('says nothing where the engine does not scroll, by less than half a px or for what it does not show', () => {
		expect(found([wide])).toEqual({});
		expect(found([[1, 0, 0, 400.4, 50, true]], [], to(400))).toEqual({});
		expect(found([[1, 0, 0, 400.5, 50, true]], [], to(401))).toEqual({ 'sideways 0.0': 0.5 });
	});
	it('says nothing of a page that hides what is beyond its edge, whatever stands before its body; what is cut there is said', () => {
		const page: Drawn[] = [
			[-1, 0, 0, 400, 800, true],
			[0, 0, 0, 0, 0, false],
			[0, 0, 0, 400, 800, true, FLAG.clips],
			[2, 0, 0, 430, 50, true],
			[2, 410, 60, 90, 50, true]
		];
		const of = {
			...snapshot(page, [
				[3, 0, 0, 430, 20],
				[4, 410, 60, 90, 20]
			]),
			pageWidth: 500,
			tags: ['html', 'head', 'body', 'p', 'p']
		};
		const beyond = [...readingsOf(of)].filter(([, by]) => Number(by) > 0);
		expect(beyond).toEqual([['cropped 1.0', 29]]);
	});
	it('names the body where the page scrolls by something else', () => {
		expect(found([[1, 0, 0, 300, 50, true]], [], to(409))).toEqual({ 'sideways 0': 9 });
		// From right to left a page scrolls to the left alone.
		const rtl = { rightToLeft: true, ...to(425) };
		expect(found([[1, -25, 0, 300, 50, true]], [], rtl)).toEqual({ 'sideways 0.0': 25 });
		expect(found([wide], [], { ...rtl, ...to(400) })).toEqual({});
	});
});

describe('edge', () => {
	const found = finder('edge');
	const around: Drawn = [1, 50, 0, 200, 50, true];
	it('says by how much an element passes what is around it, on either side', () => {
		expect(found([around, [2, 60, 0, 201, 20, true]])).toEqual({ 'edge 0.0.0 0.0': 10 });
		expect(found([around, [2, 40, 0, 100, 20, true]])).toEqual({ 'edge 0.0.0 0.0': 9 });
	});
	it.each<[string, number, number]>([
		['is put out of the flow', 0, FLAG.absolute],
		['is a piece of a line', 0, FLAG.inline],
		['is cut', FLAG.clips, 0]
	])('says nothing of what %s', (_, outer, inner) => {
		expect(
			found([
				[1, 50, 0, 200, 50, true, outer],
				[2, 60, 0, 220, 20, true, inner]
			])
		).toEqual({});
	});
});

describe('outside', () => {
	const found = finder('outside');
	const around: Drawn = [1, 0, 0, 200, 50, true, FLAG.positioned];
	const badge = (left: number): Drawn => [2, left, 0, 60, 20, true, FLAG.absolute | FLAG.positioned];
	it('says by how much more than half of it is beyond an edge of what it is placed in', () => {
		expect(found([around, badge(175)])).toEqual({ 'outside 0.0.0 0.0': 5 });
		expect(found([around, badge(-40)])).toEqual({ 'outside 0.0.0 0.0': 10 });
		expect(found([around, badge(165)])).toEqual({});
	});
	it('says nothing of what is cut', () => {
		expect(found([[1, 0, 0, 200, 50, true, FLAG.positioned | FLAG.clips], badge(180)])).toEqual({});
	});
});

describe('overlap', () => {
	const found = finder('overlap');
	const two: readonly Drawn[] = [
		[1, 0, 0, 200, 40, true],
		[1, 0, 30, 200, 40, true]
	];
	it('is where lines of two elements share more than the height between their letters', () => {
		expect(
			found(two, [
				[2, 0, 0, 100, 20],
				[3, 50, 10, 100, 20]
			])
		).toEqual({ 'overlap 0.0 0.1': 2 });
		expect(
			found(two, [
				[2, 0, 0, 100, 20],
				[3, 50, 13, 100, 20]
			])
		).toEqual({});
		expect(
			found(two, [
				[2, 0, 0, 100, 20],
				[3, 99, 10, 100, 20]
			])
		).toEqual({});
	});
	it('is none of one element with what is in it, with what is clipped away, or with what is fixed', () => {
		const inner: readonly Drawn[] = [
			[1, 0, 0, 200, 40, true],
			[2, 0, 30, 200, 40, true]
		];
		expect(
			found(inner, [
				[2, 0, 0, 100, 20],
				[3, 50, 5, 100, 20]
			])
		).toEqual({});
		const clipped: readonly Drawn[] = [
			[1, 0, 0, 200, 4, true, FLAG.clips],
			[1, 0, 5, 200, 40, true]
		];
		expect(
			found(clipped, [
				[2, 0, 0, 100, 20],
				[3, 0, 5, 100, 20]
			])
		).toEqual({});
		const fixed: readonly Drawn[] = [
			[1, 0, 0, 200, 40, true, FLAG.fixed],
			[1, 0, 5, 200, 40, true]
		];
		expect(
			found(fixed, [
				[2, 0, 0, 100, 20],
				[3, 0, 5, 100, 20]
			])
		).toEqual({});
	});
});

describe('stretched', () => {
	const found = finder('stretched');
	const natural = (width: number, height: number) => Float32Array.from([0, 0, 0, 0, width, height]);
	const picture: readonly Drawn[] = [[1, 0, 0, 200, 100, true, FLAG.filled]];
	it('is a picture of another shape than its own, by percent', () => {
		expect(found(picture, [], { natural: natural(100, 100) })).toEqual({ 'stretched 0.0': 97 });
		expect(found(picture, [], { natural: natural(400, 100) })).toEqual({ 'stretched 0.0': 97 });
		expect(found(picture, [], { natural: natural(403, 200) })).toEqual({});
	});
	it('is told by what is within its border and padding', () => {
		const edges = new Float32Array(12);
		edges.set([25, 0, 25, 0], 8);
		expect(found(picture, [], { natural: natural(400, 100), edges })).toEqual({});
	});
	it('is none where the picture has not come', () => {
		expect(found(picture, [], { natural: natural(0, 0) })).toEqual({});
	});
});

describe('cut', () => {
	const found = finder('cut');
	const box: Drawn = [1, 0, 0, 100, 50, true, FLAG.clips];
	it('says by how much text that begins in sight is cut off, by its own box or one around it', () => {
		expect(found([box], [[2, 0, 0, 112, 20]])).toEqual({ 'cut 0.0 0.0': 12 });
		const around: readonly Drawn[] = [box, [2, 0, 0, 100, 90, true]];
		expect(
			found(around, [
				[3, 0, 0, 90, 20],
				[3, 0, 40, 90, 20]
			])
		).toEqual({ 'cut 0.0.0 0.0': 6 });
	});
	it.each<[string, Drawn, Lines]>([
		['that can be scrolled to', [1, 0, 0, 100, 50, true, FLAG.clips | FLAG.scrollsX], [[2, 0, 0, 112, 20]]],
		['that is hidden altogether', box, [[2, 130, 0, 112, 20]]],
		['that nobody is to see', [1, 0, 0, 1, 1, true, FLAG.clips], [[2, 0, 0, 112, 20]]],
		['whose letters fit', box, [[2, 0, 33, 90, 20]]],
		['that is longer by what layout rounds', box, [[2, 0, 0, 100 + 1 / 64, 20]]],
		['that is clear', [1, 0, 0, 100, 50, true, FLAG.clips | FLAG.clear], [[2, 0, 0, 112, 20]]]
	])('says nothing of text %s', (_, element, lines) => {
		expect(found([element], lines)).toEqual({});
	});
});

describe('covered', () => {
	const found = finder('covered');
	const text: Drawn = [1, 0, 0, 200, 40, true];
	const lines: Lines = [[2, 0, 0, 100, 20]];
	const over = (flags: number): Drawn => [1, 0, 8, 80, 40, true, flags];
	it('is text under something positioned that lets nothing through', () => {
		expect(found([text, over(FLAG.opaque | FLAG.positioned)], lines)).toEqual({ 'covered 0.0 0.1': 4 });
	});
	it.each([
		['lets it through', FLAG.positioned],
		['is in the flow', FLAG.opaque],
		['is fixed', FLAG.opaque | FLAG.positioned | FLAG.fixed]
	])('says nothing where what is over it %s', (_, flags) => {
		expect(found([text, over(flags)], lines)).toEqual({});
	});
	it('goes by what is painted later: positioned too, by its z-index, then by its place', () => {
		const above: readonly Drawn[] = [
			[1, 0, 0, 200, 40, true, FLAG.positioned | FLAG.stacks],
			over(FLAG.opaque | FLAG.positioned)
		];
		expect(Object.keys(found(above, lines))).toEqual(['covered 0.0 0.1']);
		expect(found(above, lines, { z: Int32Array.from([0, 0, 1, 0]) })).toEqual({});
	});
});

describe('word', () => {
	const found = finder('word');
	it('is a line that is longer than the inside of its box, also in a piece of that line', () => {
		const edges = Float32Array.from({ length: 16 }, (_, i) => (i === 9 ? 20 : 0));
		const page: readonly Drawn[] = [
			[1, 0, 0, 100, 50, true],
			[2, 0, 0, 95, 20, true, FLAG.inline]
		];
		expect(found(page, [[3, 0, 0, 95, 20]], { edges })).toEqual({ 'word 0.0': 15 - 1 / 32 });
		expect(found(page, [[3, 0, 0, 80, 20]], { edges })).toEqual({});
		expect(read('word', page, [[3, 0, 0, 70, 20]], { edges }).get('word 0.0')).toBeCloseTo(-10, 1);
		const rightToLeft = true;
		expect(found([[1, 20, 0, 80, 50, true]], [[2, 0, 0, 100, 20]], { rightToLeft })).toEqual({
			'word 0.0': 20 - 1 / 32
		});
	});
});

describe('column', () => {
	const found = finder('column');
	const rows = (count: number): NonNullable<Lines> =>
		Array.from({ length: count }, (_, i) => [2, 0, 24 * i, 60, 20]);
	const words = (count: number, each: number) => ({ lineWords: new Float32Array(count).fill(each) });
	const box: Drawn = [1, 0, 0, 70, 200, true];
	it('is a block of three rows or more with hardly a word on each', () => {
		expect(found([box], rows(4), words(4, 1.25))).toEqual({ 'column 0.0': 0.25 });
		expect(found([box], rows(4), words(4, 1.5))).toEqual({});
		expect(found([box], rows(2), words(2, 1))).toEqual({});
	});
	it('counts pieces of one line as one row', () => {
		const beside: Lines = [...rows(3), [2, 30, 0, 20, 20]];
		expect(found([box], beside, words(4, 1))).toEqual({ 'column 0.0': 1.5 - 4 / 3 });
	});
});

describe('row', () => {
	const found = finder('row');
	const container: Drawn = [1, 0, 0, 300, 100, true, FLAG.flexContainer];
	const at = (left: number, top: number, width = 90): Drawn => [2, left, top, width, 20, true];
	it.each<[string, readonly Drawn[]]>([
		['3 in one row', [at(0, 0), at(100, 0, 40), at(200, 0)]],
		['2 in a row', [at(0, 0), at(100, 0), at(0, 30, 290)]],
		['several rows', [at(0, 0), at(100, 0, 40), at(0, 30)]],
		['one below another', [at(0, 0), at(0, 30, 40)]],
		['2 in one row, in the order 2 1', [at(100, 0), at(0, 0)]]
	])('tells how children stand: %s', (state, children) => {
		expect(found([container, ...children])).toEqual({ 'row 0.0': state });
	});
});
