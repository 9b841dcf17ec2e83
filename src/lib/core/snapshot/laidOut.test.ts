import { expect, it } from 'vitest';
import { elementOf, laidOut } from './index.ts';
import { snapshot } from './snapshot.fixture.ts';

const PAGE = snapshot([
	[-1, 0, 0, 400, 800, true],
	[0, 0, 0, 400, 100, true],
	[1, 200, 0, 200, 100, true],
	[1, 0, 10, 200, 80, true],
	[1, 0, 0, 0, 0, false],
	[1, 0, 100, 400, 20, true],
	[0, 0, 100, 400, 100, true],
	[6, 0, 100, 400, 50, true]
]);

it('finds elements by their paths', () => {
	expect([[], [0], [0, 3], [1], [1, 0], [2], [0, 4]].map((path) => elementOf(PAGE, path))).toEqual([
		0, 1, 5, 6, 7, -1, -1
	]);
});

it('tells a box and what stands where, row by row', () => {
	expect(laidOut(PAGE, [0])).toEqual({ shown: true, width: 400, height: 100, order: [1, 0, 3] });
	expect(laidOut(PAGE, [0, 2])).toEqual({ shown: false, width: 0, height: 0, order: [] });
	expect(laidOut(PAGE, [7])).toBeUndefined();
});
