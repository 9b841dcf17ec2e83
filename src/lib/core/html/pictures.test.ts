import { describe, expect, it } from 'vitest';
import { chosenCandidate, sourceSizes, srcsetCandidates } from './pictures.ts';

describe('candidates of srcset', () => {
	it.each([
		['a.png 1x, b.png 2x,c.png', [['a.png', undefined, 1], ['b.png', undefined, 2], ['c.png']]],
		[
			', a.png 300w , b(1,2).png  600w 20h',
			[
				['a.png', 300],
				['b(1,2).png', 600]
			]
		],
		['data:a,b 1.5e0x,c.png,', [['data:a,b', undefined, 1.5], ['c.png']]],
		['a 0w, b -1x, c 2y, d 1x 2x, e 2x 3h, f 9h, g (x, y) 3w, h', [['h']]],
		[' ', []]
	])('%s', (srcset, expected) => {
		expect(srcsetCandidates(srcset)).toEqual(
			expected.map(([address, width, density]) => ({
				address,
				...(width === undefined ? {} : { width }),
				...(density === undefined ? {} : { density })
			}))
		);
	});
});

describe('entries of sizes', () => {
	it('are conditions and the last value of each', () => {
		expect(sourceSizes('(width < 700px) 50vw,(hover:none)calc(1px * (2 + 3)), min(9vw, 300px),')).toEqual([
			{ condition: '(width < 700px)', length: '50vw' },
			{ condition: '(hover:none)', length: 'calc(1px * (2 + 3))' },
			{ condition: '', length: 'min(9vw, 300px)' }
		]);
	});
});

describe('the candidate that is chosen', () => {
	const named = (srcset: string, density: number, size: number): string | undefined =>
		chosenCandidate(srcsetCandidates(srcset), density, size)?.address;

	it.each([
		['a 300w, b 1200w', 1, 300, 'a'],
		['a 300w, b 1200w', 1, 301, 'b'],
		['b 1200w, a 300w', 3, 100, 'a'],
		['b 1200w, a 300w', 3, 101, 'b'],
		['b 2x, a', 1, 1, 'a'],
		['a, b 2x', 1.01, 1, 'b'],
		['a, b 2x', 9, 1, 'b'],
		['a 2x, b 3x', 0.5, 1, 'a'],
		['a 1x, b 1x', 1, 1, 'a'],
		['a, data:b 2x, data:c 3x, d 4x', 1, 1, 'data:c'],
		['', 1, 1, undefined]
	])('of “%s” at %f device pixels and %d px is %s', (srcset, density, size, chosen) => {
		expect(named(srcset, density, size)).toBe(chosen);
	});
});
