import { describe, expect, it } from 'vitest';
import { FLAG } from '../snapshot/index.ts';
import { snapshot, type Drawn } from '../snapshot/snapshot.fixture.ts';
import { findingKey, findingOf, pathsOf, readingsOf } from './index.ts';

type Lines = Parameters<typeof snapshot>[1];

/** What is there, by key, with how much, in a page of a root, a body and some elements after these. */
function found(elements: readonly Drawn[], lines: Lines = [], change = {}): Record<string, number> {
	const page: Drawn[] = [[-1, 0, 0, 400, 800, true], [0, 0, 0, 400, 800, true], ...elements];
	const of = { ...snapshot(page, lines), ...change };
	of.tags.forEach((_, i) => {
		if (i < 2) (of.tags as string[])[i] = ['html', 'body'][i] as string;
	});
	return Object.fromEntries([...readingsOf(of)].filter(([, by]) => by > 0));
}

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
	const wide: Drawn = [1, 0, 0, 430, 50, true];
	it('names the outermost that reaches beyond the window, or whose text does', () => {
		expect(found([wide, [2, 0, 0, 460, 20, true]])).toMatchObject({ 'sideways 0.0': 30 });
		expect(found([wide, [2, 0, 0, 460, 20, true]])).not.toHaveProperty('sideways 0.0.0');
		expect(found([[1, 0, 0, 300, 50, true]], [[2, 0, 0, 412, 20]])).toEqual({ 'sideways 0.0': 12 });
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
		expect(Object.keys(found(elements)).filter((key) => key.startsWith('sideways'))).toEqual([]);
	});
	it('names the body where the page scrolls by something else', () => {
		expect(found([[1, 0, 0, 300, 50, true]], [], { pageWidth: 409 })).toEqual({ 'sideways 0': 9 });
	});
});

describe('edge', () => {
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

describe('overlap', () => {
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
