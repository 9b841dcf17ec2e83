import { expect, it } from 'vitest';
import { PLAIN } from '../vantage/index.ts';
import { directionOf, parseMediaQueryList, solve, standsBefore } from './index.ts';

const widths = (query: string) => solve(parseMediaQueryList(query), PLAIN);

it.each([
	[['(width >= 700px)', '(min-width: 60em)', '(max-width: 400px)'], 'up'],
	[['(max-width: 699px)', '(width < 400px)', 'print', '(width >= 700px)'], 'down'],
	[['(400px <= width < 700px)', '(hover)'], 'up'],
	[[], 'up']
] as const)('%j go %s', (queries, direction) => {
	expect(directionOf(queries.map(widths))).toBe(direction);
});

it.each([
	['(width >= 700px)', '(width >= 900px)', true, false],
	['(width >= 900px)', '(width >= 700px)', false, false],
	['(700px <= width < 900px)', '(width >= 900px)', true, false],
	['(width >= 700px)', '(width >= 700px)', false, false],
	['(width < 900px)', '(width < 700px)', false, true],
	['(width < 700px)', '(width >= 700px)', true, false],
	['(width < 700px)', 'all and (width < 0px)', false, false]
])('%s before %s: %s upwards, %s downwards', (a, b, up, down) => {
	expect(standsBefore(widths(a), widths(b), 'up')).toBe(up);
	expect(standsBefore(widths(a), widths(b), 'down')).toBe(down);
});
