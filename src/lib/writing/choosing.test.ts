import { describe, expect, it } from 'vitest';
import type { Candidate } from '../core/cascade/index.ts';
import { specificityOf } from '../core/selector/index.ts';
import type { Hitting } from '../inquiry/hits.ts';
import { fairestFirst, othersOf, sumOf } from './choosing.ts';
import { keyOf, type Choice } from './targets.ts';

const rule = (selector: string, after: number | null, file = 'a.css'): Choice => ({
	target: { kind: 'rule', file, selector, after },
	exists: after !== null,
	specificity: specificityOf(selector)
});
const fresh = (selector: string): Choice => ({ ...rule(selector, 90), exists: false });
const STYLE: Choice = {
	target: { kind: 'style', file: 'a.html', start: 0, end: 9 },
	exists: true,
	specificity: null
};

const HERE = new Map<string, number | null>([
	...Object.entries({ '.card': 3, '.own': 1, p: 9, '.both': 1 }),
	['bad', null]
]);
const ELSEWHERE = new Map(Object.entries({ '.card': 2, p: 4, '.both': 1 }));
const countsIn = (of: ReadonlyMap<string, number | null>, selectors: readonly string[]) =>
	selectors.map((one) => (of.has(one) ? (of.get(one) ?? null) : 0));

/** Two pages, of which a.css is on both and b.css on the one in the frames. */
const by: Pick<Hitting, 'hits' | 'otherHits'> = {
	hits: (selectors) => Promise.resolve(countsIn(HERE, selectors)),
	otherHits: (file, selectors) =>
		Promise.resolve(new Map(file === 'a.css' ? [['b.html', countsIn(ELSEWHERE, selectors)]] : []))
};

describe('where a value goes', () => {
	it('is counted besides what is selected, on all pages that have the file', async () => {
		const choices = [
			...[
				rule('.card', 1),
				rule('.card', 1, 'b.css'),
				rule('.own', 2),
				rule('.both::before', 3),
				rule('bad', 4)
			],
			STYLE
		];
		expect([...(await othersOf(by, choices, 1))]).toEqual([
			['a.css .card', { here: 2, elsewhere: 2, pages: 1 }],
			['a.css .own', { here: 0, elsewhere: 0, pages: 0 }],
			['a.css .both::before', { here: 0, elsewhere: 1, pages: 1 }],
			['b.css .card', { here: 2, elsewhere: 0, pages: 0 }]
		]);
	});

	const first = async (choices: readonly Choice[], winner?: string): Promise<string> => {
		const others = await othersOf(by, choices, 1);
		const from = winner === undefined ? undefined : ({ hit: { selector: winner } } as Candidate);
		const [choice] = fairestFirst(choices, others, from);
		const known = choice && others.get(keyOf(choice));
		return choice?.target.kind === 'rule'
			? `${choice.exists ? '' : 'new '}${choice.target.selector} ${known ? sumOf(known) : '?'}`
			: 'style';
	};

	it.each([
		['a rule for it alone, where that is stronger', [rule('.card', 1), rule('.own', 5)], '.card', '.own 0'],
		['not where it would not hold', [rule('.card', 5), rule('.own', 1)], '.card', '.card 4'],
		[
			'what says it so far, where that is for it alone',
			[rule('.own', 1), rule('.card', 5)],
			'.own',
			'.own 0'
		],
		[
			'else a new rule for fewer',
			[rule('.card', 1), fresh('p'), fresh('.both'), fresh('.own')],
			'.card',
			'new .own 0'
		],
		['but none that is too weak', [rule('.card', 1), fresh('u')], '.card', '.card 4'],
		['nor one for as many', [rule('p', 1), fresh('p')], 'p', 'p 12'],
		['a style attribute', [STYLE, rule('.card', 1)], undefined, 'style']
	] as const)('%s', async (_, choices, winner, expected) => {
		expect(await first(choices, winner)).toBe(expected);
	});

	it('stays as it is while nothing is counted', () => {
		const choices = [rule('.card', 1), rule('.own', 5)];
		expect(fairestFirst(choices, new Map(), undefined)).toBe(choices);
	});
});
