import fc from 'fast-check';
import { expect, it } from 'vitest';
import { partsOfSpace, type SpaceFacts } from './index.ts';

const NONE: SpaceFacts = {
	side: 'top',
	length: 0,
	margin: 0,
	auto: false,
	neighbour: null,
	collapses: false,
	gap: 0,
	padding: 0
};

it.each([
	[{ length: 30, margin: 10, padding: 20 }, ['padding 20', 'margin 10']],
	[{ length: 24, margin: 16, neighbour: 24, collapses: true }, ['collapsed 24']],
	[{ length: 14, margin: -10, neighbour: 24, collapses: true }, ['collapsed 14']],
	[{ length: 24, neighbour: 24, collapses: true }, ['neighbour 24']],
	[{ length: 45, margin: 5, neighbour: 10, gap: 30 }, ['margin 5', 'gap 30', 'neighbour 10']],
	[{ length: 60, margin: 60, auto: true }, ['auto-margin 60']],
	[{ length: 12.01, margin: 12 }, ['margin 12']],
	[{ length: 20, margin: 12 }, ['margin 12', 'rest 8']],
	[{ length: 0 }, []]
])('%j', (facts, parts) => {
	expect(partsOfSpace({ ...NONE, ...facts }).map(({ of, length }) => `${of} ${length}`)).toEqual(parts);
});

it('adds up', () => {
	const length = fc.integer({ min: -50, max: 200 });
	fc.assert(
		fc.property(
			length,
			length,
			fc.option(length),
			fc.boolean(),
			length,
			length,
			(all, margin, neighbour, collapses, gap, padding) => {
				const parts = partsOfSpace({ ...NONE, length: all, margin, neighbour, collapses, gap, padding });
				expect(parts.reduce((sum, part) => sum + part.length, 0)).toBeCloseTo(all, 6);
			}
		)
	);
});
