import { expect, it } from 'vitest';
import { clicksAgain } from './clicksAgain.ts';

it('a click is again at a place where it is near and soon, in the same frame', () => {
	const again = clicksAgain();
	const click = (x: number, at: number, frame = 'lead'): boolean => again({ frame, x, y: 5, at });
	expect(click(100, 0)).toBe(false);
	expect(click(103, 9000)).toBe(true);
	// Each is held against the one before, so that a row of clicks may last.
	expect(click(106, 18_000)).toBe(true);
	expect(click(112, 18_500)).toBe(false);
	expect(click(112, 28_501)).toBe(false);
	expect(click(112, 29_000, 'column B')).toBe(false);
});
