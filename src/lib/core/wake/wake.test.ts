import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cascadeOf } from '../cascade/index.ts';
import { parsePage } from '../html/index.ts';
import { contains, printIntervalSet, rationalFromNumber } from '../interval/index.ts';
import { solverOf } from '../media/index.ts';
import { sourcesOf } from '../site/index.ts';
import { FLAG } from '../snapshot/index.ts';
import { snapshot, type Drawn } from '../snapshot/snapshot.fixture.ts';
import { foundIn } from '../sweep/index.ts';
import { PLAIN } from '../vantage/index.ts';
import {
	changedElements,
	changesIn,
	findingsBetween,
	outermost,
	propertiesTouched,
	reachOf,
	touchedBy,
	turnedOf
} from './index.ts';
import { heldAs } from './report.ts';

const cascade = (css: string) =>
	cascadeOf(
		parsePage(`<style>${css}</style>`),
		'a.html',
		sourcesOf(() => undefined)
	);
const solve = solverOf(PLAIN);

describe('what an edit touches', () => {
	const touch = (before: string, after: string) => touchedBy(cascade(before), cascade(after));
	const BANDS =
		'.a { top: 1px; left: 2px } @media (width >= 700px) { .a { top: 3px } .b { color: red } } @media (width < 500px) { .a { top: 5px } }';

	it.each([
		['a value in a block', '3px', '4px', '≥700', ['top 3px', 'top 4px']],
		['a condition', 'width < 500px', 'width < 520px', '<520', ['top 5px', 'top 5px']],
		['a rule taken out', ' .b { color: red }', '', '≥700', ['color red']],
		['what is under no condition', 'left: 2px', 'left: 3px', '', ['left 2px', 'left 3px']],
		['two blocks', /3px|5px/g, '6px', '<500, ≥700', ['top 3px', 'top 5px', 'top 6px', 'top 6px']],
		['white space and comments', '.b {', '/* b */ .b  {', '', []]
	])('%s', (_, from, to, widths, declarations) => {
		const found = touch(BANDS, BANDS.replaceAll(from as string, to));
		const said = [...found.before, ...found.after].map(({ property, value }) => `${property} ${value}`);
		expect(said).toEqual(declarations);
		if (widths !== '') expect(printIntervalSet(reachOf(found, solve))).toBe(widths);
		else expect(contains(reachOf(found, solve), rationalFromNumber(600))).toBe(declarations.length > 0);
	});

	it('layers, and what is registered, may change anything', () => {
		expect(touch('@layer a, b;', '@layer b, a;').beyond).toBe(true);
		expect(touch(BANDS, BANDS).beyond).toBe(false);
	});

	it('a custom property changes what asks for one', () => {
		const css = ':root { --x: 1px } .a { padding: var(--x); top: 1px }';
		const after = cascade(css.replace('1px', '2px'));
		expect(propertiesTouched(touchedBy(cascade(css), after), after)).toEqual(['padding']);
	});

	it('what is not touched is in force alike on both sides, at every width that is not reached', () => {
		const block = fc.record({
			from: fc.constantFrom(0, 400, 700, 1000),
			property: fc.constantFrom('top', 'left'),
			value: fc.integer({ min: 0, max: 3 })
		});
		const css = (blocks: readonly { from: number; property: string; value: number }[]) =>
			blocks
				.map(({ from, property, value }) => `@media (width >= ${from}px) { .a { ${property}: ${value}px } }`)
				.join('\n');
		const sheet = fc.array(block, { maxLength: 8 });
		fc.assert(
			fc.property(sheet, sheet, (a, b) => {
				const [before, after] = [cascade(css(a)), cascade(css(b))];
				const reach = reachOf(touchedBy(before, after), solve);
				const at = (blocks: typeof a, width: number) =>
					blocks.filter(({ from }) => width >= from).map(({ property, value }) => `${property} ${value}`);
				for (const width of [300, 500, 800, 1200])
					if (!contains(reach, rationalFromNumber(width))) expect(at(a, width)).toEqual(at(b, width));
			})
		);
	});
});

describe('what changed', () => {
	const page = (left: number, width: number, shown = true): Drawn[] => [
		[-1, 0, 0, 400, 800, true],
		[0, 0, 0, 400, 800, true],
		[1, left, 0, 200, 100, true],
		[2, left, 0, width, 50, shown],
		[1, 0, 100, 400, 20, true]
	];
	const seen = (elements: readonly Drawn[], own: string, hit: number) => ({
		snapshot: { ...snapshot(elements), tags: elements.map((_, i) => (i === 1 ? 'body' : 'div')) },
		values: {
			texts: elements.map((_, i) => (i === hit ? own : '')),
			hit: Uint8Array.from(elements, (_, i) => (i === hit ? 1 : 0))
		}
	});

	it('tells own values from what follows, and nothing of what only goes along', () => {
		const before = seen(page(0, 100), 'left: 0', 2);
		const after = seen(page(30, 100), 'left: 30px', 2);
		expect([...changesIn(before, after)]).toEqual([
			['own 0.0', 1],
			['box 0.0', 30]
		]);
		expect([...changesIn(seen(page(0, 100), '', 3), seen(page(0, 120), '', 2))]).toEqual([['box 0.0.0', 20]]);
		expect([...changesIn(seen(page(0, 100), '', 3), seen(page(0, 100, false), '', 3))]).toEqual([
			['shown 0.0.0', 1]
		]);
	});

	it('an element that came or went is there otherwise', () => {
		const more: Drawn[] = [...page(0, 100), [1, 0, 120, 10, 10, true, FLAG.inline]];
		expect([...changesIn(seen(page(0, 100), '', 2), seen(more, '', 2))]).toEqual([['there 0.2', 1]]);
		expect([...changesIn(seen(more, '', 2), seen(page(0, 100), '', 2))]).toEqual([['there 0.2', 1]]);
	});

	it('is told element by element, by its own and by what follows', () => {
		const at = (by: number) =>
			new Map([
				['own 0.0', 1],
				['box 0.0', by],
				['box 0.0.1', 2]
			]);
		const known = new Map([
			[500, new Map<string, number>()],
			[501, at(4)],
			[502, at(9)]
		]);
		const changed = changedElements(foundIn(known, []));
		expect(changed.map(({ path, by, worst }) => [path, by, worst])).toEqual([
			['0.0', 9, 502],
			['0.0.1', 2, 501]
		]);
		expect(printIntervalSet(changed[0]?.own ?? { startsInside: true, cuts: [] })).toBe('501–502');
		expect(outermost(['0.0', '0.0.1', '0.1', '0.10'])).toEqual([
			{ path: '0.0', inside: 1 },
			{ path: '0.1', inside: 0 },
			{ path: '0.10', inside: 0 }
		]);
	});
});

describe('findings on two sides of an edit', () => {
	const page: Drawn[] = [
		[-1, 0, 0, 400, 800, true],
		[0, 0, 0, 400, 800, true],
		[0, 0, 0, 400, 800, true],
		[2, 0, 0, 100, 20, true],
		[2, 50, 10, 100, 20, true]
	];
	const lines = (left: number) =>
		snapshot(page, [
			[3, 0, 0, 100, 20],
			[4, left, 0, 100, 20]
		]);
	const apart = lines(150);
	const over = lines(50);
	const overlaps = (
		before: typeof over,
		after: typeof over,
		shift: (key: string) => number | undefined = () => 0
	) => [...findingsBetween(before, after, shift).keys()].filter((key) => key.includes('overlap'));

	it('are made or mended where one side alone has them, from the limits of the site on', () => {
		expect(overlaps(apart, over)).toEqual(['made overlap 1.0 1.1']);
		expect(overlaps(over, apart)).toEqual(['mended overlap 1.0 1.1']);
		expect(overlaps(over, over)).toEqual([]);
		expect(overlaps(apart, over, () => -1000)).toEqual([]);
		expect(overlaps(apart, over, () => undefined)).toEqual([]);
	});

	it('are looked for where their elements stand after an edit of the markup', () => {
		const keys = (followed: (path: string) => string | null): string[] =>
			[...findingsBetween(over, over, () => 0, followed).keys()].filter((key) => key.includes('overlap'));
		expect(keys((path) => path)).toEqual([]);
		// As if both had been somewhere else before, or one were gone.
		expect(keys((path) => `0.${path}`)).toEqual(['made overlap 1.0 1.1', 'mended overlap 1.0 1.1']);
		expect(keys((path) => (path === '1.0' ? null : path))).toHaveLength(2);
	});

	it('are told from what else changed by their keys', () => {
		expect(turnedOf('made overlap 1.0 1.1')).toEqual({ turned: 'made', key: 'overlap 1.0 1.1' });
		expect(turnedOf('box 1.0')).toBeUndefined();
	});
});

it('a Hold says in which window it was recorded; a vantage that has the name Plain is called by that name', () => {
	expect(heldAs({ window: { ...PLAIN, height: 700 } })).toBe('in a window 700 px high');
	expect(heldAs({ window: { ...PLAIN, pointer: 'coarse', hover: 'none', anyPointer: ['coarse'] } })).toBe(
		'as Plain'
	);
});
