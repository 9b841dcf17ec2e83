import fc from 'fast-check';
import { expect, it } from 'vitest';
import { initialAlignment, alignByPoints, onPage, onPicture } from './index.ts';

it('lies as wide as the viewport at first', () => {
	expect(initialAlignment(2560, 1280)).toEqual({ x: 0, y: 0, scale: 0.5 });
});

it('two points come to lie where they are wanted, where moving and scale can do it', () => {
	const point = fc.record({
		x: fc.integer({ min: -500, max: 2000 }),
		y: fc.integer({ min: -500, max: 2000 })
	});
	const lie = fc.record({
		x: fc.integer({ min: -300, max: 300 }),
		y: fc.integer({ min: -300, max: 300 }),
		scale: fc.integer({ min: 1, max: 80 }).map((n) => n / 20)
	});
	fc.assert(
		fc.property(point, point, lie, (a, b, requested) => {
			fc.pre(a.x !== b.x || a.y !== b.y);
			const found = alignByPoints([a, b], [onPage(requested, a), onPage(requested, b)]);
			expect(found?.scale).toBeCloseTo(requested.scale, 9);
			expect(found?.x).toBeCloseTo(requested.x, 6);
			expect(found?.y).toBeCloseTo(requested.y, 6);
			const back = onPicture(requested, onPage(requested, a));
			expect(back.x).toBeCloseTo(a.x, 6);
		})
	);
});

it('one point twice says nothing', () => {
	expect(
		alignByPoints(
			[
				{ x: 1, y: 1 },
				{ x: 1, y: 1 }
			],
			[
				{ x: 0, y: 0 },
				{ x: 9, y: 9 }
			]
		)
	).toBeUndefined();
});
