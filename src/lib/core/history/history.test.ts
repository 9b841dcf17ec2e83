import fc from 'fast-check';
import { describe, expect, it, test } from 'vitest';
import { parseSheet } from '../css/index.ts';
import { applyChanges } from '../text/index.ts';
import {
	backwards,
	fits,
	holding,
	NO_HISTORY,
	readHistory,
	recorded,
	stepInWords,
	touches,
	writeHistory,
	type History,
	type Replacement,
	type Step
} from './index.ts';

const replacement = (source: string, was: string, text: string): Replacement => {
	const start = source.indexOf(was);
	return { start, end: start + was.length, text, was };
};
const step = (number: number, path: string, ...replaced: Replacement[]): Step => ({
	number,
	at: number * 1000,
	words: `step ${number}`,
	files: [{ path, replaced }]
});
const made = (...steps: Step[]): History => steps.reduce(recorded, NO_HISTORY);
const numbers = ({ steps }: History): number[] => steps.map(({ number }) => number);

it('what is taken back is as it was, wherever it was replaced', () => {
	fc.assert(
		fc.property(
			fc.string({ maxLength: 30 }),
			fc.array(fc.tuple(fc.nat(6), fc.nat(4), fc.string({ maxLength: 3 })), { maxLength: 4 }),
			(source, requested) => {
				let at = 0;
				const replaced = requested.flatMap(([skip, length, text]): Replacement[] => {
					const [start, end] = [at + skip, at + skip + length];
					at = end + 1;
					const was = source.slice(start, end);
					return end <= source.length && was !== text ? [{ start, end, text, was }] : [];
				});
				const after = applyChanges(source, replaced);
				expect(fits(source, replaced)).toBe(true);
				expect(fits(after, backwards(replaced))).toBe(true);
				expect(applyChanges(after, backwards(replaced))).toBe(source);
				expect(backwards(backwards(replaced))).toEqual(replaced);
			}
		)
	);
});

describe('a history', () => {
	const [one, two, three] = [1, 2, 3].map((n) => step(n, 'a.css', replacement('abc', 'b', String(n)))) as [
		Step,
		Step,
		Step
	];

	test('lets go of what was taken back once something else is done', () => {
		const history = made(one, two);
		expect(numbers(recorded({ ...history, made: 1 }, three))).toEqual([1, 3]);
	});

	test('a step that goes on takes its own place; one that does nothing any more is none', () => {
		const more = { ...two, words: 'more' };
		expect(made(one, two, more).steps).toEqual([one, more]);
		expect(numbers(made(one, two, { ...two, files: [{ path: 'a.css', replaced: [] }] }))).toEqual([1]);
	});

	test('steps of a file that is another now are gone, with all that is beyond them', () => {
		const other = step(4, 'b.css', replacement('x', 'x', 'y'));
		const history = { ...made(one, other, two, other, three, other), made: 4 };
		expect(holding(history, touches(new Set(['a.css'])))).toEqual({ steps: [other], made: 1 });
		expect(holding(history, touches(new Set(['c.css'])))).toEqual(history);
	});

	test('is kept as a text, and holds for texts that are as it left them', () => {
		const texts: Record<string, string> = { 'a.css': 'a2c', 'b.css': 'y' };
		const textOf = (path: string) => texts[path];
		const history = made(
			step(1, 'b.css', replacement('x', 'x', 'y')),
			step(2, 'a.css', replacement('abc', 'b', '2'))
		);
		const written = JSON.parse(writeHistory(history, 1000, textOf)) as unknown;
		expect(readHistory(written, textOf)).toEqual(history);
		texts['b.css'] = 'z';
		expect(numbers(readHistory(written, textOf) ?? NO_HISTORY)).toEqual([2]);
		texts['a.css'] = 'a2cc';
		expect(readHistory(written, textOf)).toEqual(NO_HISTORY);
		expect(readHistory({ steps: [], made: 1, lengths: {} }, textOf)).toBeUndefined();
		expect(readHistory('nothing', textOf)).toBeUndefined();
	});

	test('is kept no longer than it may be, the newest steps first', () => {
		const textOf = () => 'abc';
		const kept = (most: number, now: History): unknown => JSON.parse(writeHistory(now, most, textOf));
		expect(kept(4, made(one, two, three))).toMatchObject({ steps: [two, three], made: 2 });
		expect(kept(2, { ...made(one, two, three), made: 1 })).toMatchObject({ steps: [], made: 0 });
	});
});

describe('a step in words', () => {
	/** `head` is what stands before the sheet in its file. */
	const words = (
		sheet: string,
		changes: readonly [was: string, text: string][],
		given = '',
		head = ''
	): string => {
		const before = head + sheet;
		const replaced = changes.map(([was, text]) => replacement(before, was, text));
		const source = applyChanges(before, replaced);
		const sheetAt = () => ({ sheet: parseSheet(source.slice(head.length)), start: head.length });
		return stepInWords({ ...step(1, 'a.css', ...replaced), words: given }, () => ({ source, sheetAt }));
	};
	const SHEET = '@media (min-width: 1000px) { .fares { gap: 20px; color: red } }\n.a { color: red }\n';

	it.each([
		[[['20px', '32px']], 'gap 20px → 32px, .fares, ≥1000'],
		[[['20px', '32px !important']], 'gap 20px → 32px !important, .fares, ≥1000'],
		[
			[['{ color: red }\n', '{ color: red; margin: 0 }\n']],
			'“{ color: red }” → “{ color: red; margin: 0 }”, line 2'
		],
		[[['gap: 20px; ', '']], '“gap: 20px;” deleted, line 1'],
		[[['.a {', '.b {']], '“.a {” → “.b {”, line 2'],
		[
			[
				['gap', 'grid-gap'],
				['.a', '.b']
			],
			'2 places changed'
		],
		[[['} }', '}  }']], 'White space, line 1']
	] as [[string, string][], string][])('%j', (changes, expected) => {
		expect(words(SHEET, changes)).toBe(expected);
	});

	test('a declaration is told rather than the words that an edit has; these rather than pieces', () => {
		expect(words(SHEET, [['20px', '32px']], 'an edit')).toBe('gap 20px → 32px, .fares, ≥1000');
		expect(words(SHEET, [['.a {', '.b {']], 'an edit')).toBe('an edit');
	});

	test('a declaration in a page’s `<style>` is described like one in a sheet', () => {
		expect(words(SHEET, [['20px', '32px']], '', '<p>a</p><style>')).toBe('gap 20px → 32px, .fares, ≥1000');
	});

	test('a condition that is not of the width alone is told as it stands', () => {
		const sheet = '@media (hover: hover) { @supports (gap: 1px) { a { top: 0 } } }';
		expect(words(sheet, [['0', '1px']])).toBe('top 0 → 1px, a, @media (hover: hover), @supports (gap: 1px)');
	});
});

test('a kept history goes on under the path that a file has after its steps, and with what a step took away', () => {
	const typed = (number: number, path: string, source: string, was: string, text: string): Step =>
		step(number, path, replacement(source, was, text));
	const moving = (number: number, from: string | null, to: string | null): Step => ({
		...step(number, ''),
		files: [],
		moved: { from, to, hash: 'x' }
	});
	const history = made(
		typed(1, 'a.css', 'one two', 'one', '1'),
		typed(2, 'c.css', 'c', 'c', 'd'),
		moving(3, 'a.css', 'b.css'),
		typed(4, 'b.css', '1 two', 'two', '2'),
		moving(5, 'c.css', null)
	);
	const texts = new Map([['b.css', '1 2']]);
	const textOf = (path: string): string | undefined => texts.get(path);
	const json: unknown = JSON.parse(writeHistory(history, 1000, textOf));
	expect(numbers(readHistory(json, textOf) ?? NO_HISTORY)).toEqual([1, 2, 3, 4, 5]);
	texts.set('b.css', '1 3');
	expect(numbers(readHistory(json, textOf) ?? NO_HISTORY)).toEqual([5]);
});
