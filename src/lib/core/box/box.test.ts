import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	boxParts,
	bottom,
	gapsAround,
	gapsBetween,
	right,
	twinValues,
	type ElementBox,
	type Rect
} from './index.ts';

const rect = (left: number, top: number, width: number, height: number): Rect => ({
	left,
	top,
	width,
	height
});
const none = { top: 0, right: 0, bottom: 0, left: 0 };

describe('the width of a box', () => {
	it('is the sum of its parts, a negative margin among them', () => {
		const box: ElementBox = {
			...rect(10, 0, 200, 50),
			margin: { ...none, left: -4, right: 12 },
			border: { ...none, left: 1, right: 1 },
			padding: { ...none, left: 20 },
			room: 240
		};
		expect(boxParts(box, 'width')).toEqual({
			parts: [
				{ of: 'margin', property: 'margin-left', length: -4 },
				{ of: 'border', property: 'border-left-width', length: 1 },
				{ of: 'padding', property: 'padding-left', length: 20 },
				{ of: 'content', property: 'width', length: 178 },
				{ of: 'border', property: 'border-right-width', length: 1 },
				{ of: 'margin', property: 'margin-right', length: 12 }
			],
			sum: 208
		});
		expect(boxParts({ ...box, padding: { ...none, bottom: 3 } }, 'height')).toEqual({
			parts: [
				{ of: 'content', property: 'height', length: 47 },
				{ of: 'padding', property: 'padding-bottom', length: 3 }
			],
			sum: 50
		});
	});
});

describe('gaps', () => {
	it('lead to the nearest neighbour, else to the edge around', () => {
		const gaps = gapsAround(
			rect(100, 100, 50, 50),
			[rect(0, 110, 60, 10), rect(0, 110, 80, 10), rect(100, 170, 50, 20), rect(300, 400, 5, 5)],
			rect(0, 90, 200, 200)
		);
		const told = Object.fromEntries(gaps.map(({ side, length, at }) => [side, `${length} ${at}`]));
		expect(told).toEqual({
			top: '10 around',
			right: '50 around',
			bottom: '20 neighbour',
			left: '20 neighbour'
		});
	});

	it('between two boxes are those by which they stand apart', () => {
		const lengths = (a: Rect, b: Rect) => gapsBetween(a, b).map(({ side, length }) => `${side} ${length}`);
		expect(lengths(rect(0, 0, 10, 10), rect(30, 4, 10, 10))).toEqual(['right 20']);
		expect(lengths(rect(30, 20, 10, 10), rect(0, 0, 10, 10))).toEqual(['left 20', 'top 10']);
		expect(lengths(rect(0, 0, 10, 10), rect(5, 7, 10, 10))).toEqual(['right -5', 'bottom -3']);
	});

	it('are the same from either box', () => {
		const box = fc.tuple(
			fc.integer({ min: 0, max: 90 }),
			fc.integer({ min: 0, max: 90 }),
			fc.integer({ min: 1, max: 40 }),
			fc.integer({ min: 1, max: 40 })
		);
		fc.assert(
			fc.property(box, box, (one, two) => {
				const [a, b] = [rect(...one), rect(...two)];
				const apart = (x: Rect, y: Rect) =>
					gapsBetween(x, y)
						.filter(({ length }) => length >= 0)
						.map(({ length }) => length);
				expect(apart(a, b)).toEqual(apart(b, a));
				const wide = Math.max(a.left, b.left) - Math.min(right(a), right(b));
				const high = Math.max(a.top, b.top) - Math.min(bottom(a), bottom(b));
				expect(apart(a, b)).toEqual([wide, high].filter((length) => length >= 0));
			})
		);
	});
});

describe('twins', () => {
	const a = new Map([
		['color', 'red'],
		['padding-left', '4px'],
		['padding-right', '9px'],
		['text-align', 'left'],
		['flex-direction', 'row']
	]);

	it('plain: what differs comes first', () => {
		const b = new Map([...a, ['text-align', 'right']]);
		expect(twinValues(a, b, false)[0]).toEqual({ name: 'text-align', a: 'left', b: 'right', same: false });
		expect(twinValues(a, b, false).filter(({ same }) => !same)).toHaveLength(1);
	});

	it('mirrored: sides and directions are exchanged', () => {
		const b = new Map([
			['color', 'red'],
			['padding-left', '9px'],
			['padding-right', '5px'],
			['text-align', 'right'],
			['flex-direction', 'row-reverse']
		]);
		expect(twinValues(a, b, true).filter(({ same }) => !same)).toEqual([
			{ name: 'padding-left', a: '4px', b: '5px', same: false }
		]);
	});
});
