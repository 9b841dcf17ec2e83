import { expect, it } from 'vitest';
import { caseOf } from '../cascade/case.fixture.ts';
import { physicalOf, type Case, type Condition, type Writing } from '../cascade/index.ts';
import { contains, rational } from '../interval/index.ts';
import { solverOf } from '../media/index.ts';
import { PLAIN } from '../vantage/index.ts';
import { alikeColumns, collate, differs, groupOf, logicalOf, withSide, type Collated } from './index.ts';

const solve = solverOf(PLAIN);
const WIDTHS = [400, 800, 1200];

/** The cases of the element `x` at three widths, with one case around it. */
function columns(html: string, around = '<p id=x>'): (readonly Case[])[] {
	const [own, outer] = [caseOf(html), caseOf(around)];
	return WIDTHS.map((width) => {
		const holds = (one: Condition): boolean =>
			one.kind !== 'media' || contains(solve(one.queries), rational(width));
		return [
			{ ...own, holds },
			{ ...outer, holds }
		];
	});
}

const collated = (html: string, around?: string, also: string[] = []): Collated =>
	collate({
		columns: columns(html, around),
		sameAsParent: () => true,
		registered: new Map(),
		also
	});

/** Rows as they are read: a hairline for what goes on. */
const said = ({ rows }: Collated): string[] =>
	rows.map(
		({ name, without, cells }) =>
			`${name}${without.length > 0 ? ` but ${without.join(', ')}` : ''}: ${cells.map(({ text, same }) => (same ? '–' : text || 'nothing')).join(' | ')}`
	);

it.each([
	[
		'a value that goes on, and one that differs in a band',
		'.x { width: 1px; color: red } @media (width >= 700px) { .x { color: blue } } @media (width >= 1000px) { .x { color: lime } }',
		['width: 1px | – | –', 'color: red | blue | lime']
	],
	[
		'a band between two conditions',
		'@media (700px <= width < 1000px) { .x { width: 2px } }',
		['width: nothing | 2px | nothing']
	],
	['a shorthand stays one row', '.x { margin: 1px }', ['margin: 1px | – | –']],
	[
		'but for the side that another declaration sets',
		'.x { margin: 1px } @media (width >= 700px) { .x { margin-left: 2px } }',
		['margin-left: 1px | 2px | –', 'margin-right: 1px | – | –']
	],
	['custom properties', '.x { --a: 1px }', ['--a: 1px | – | –']]
])('%s', (_, css, rows) => {
	expect(said(collated(`<style>${css}</style><p id=x class=x>`))).toEqual(rows);
});

it('has what is inherited from something around, and what was asked for', () => {
	const of = collated('<p id=x>', '<style>.x { color: red; width: 1px }</style><p id=x class=x>', ['margin']);
	expect(said(of)).toEqual(['margin: nothing | – | –', 'color: red | – | –']);
	expect(of.rows[1]?.cells[0]?.outcome.kind).toBe('inherited');
	expect(of.rows.map(differs)).toEqual([false, false]);
});

it('gives what is asked for a row of its own, out of the shorthand that says it', () => {
	const of = (also: string[]) =>
		said(collated('<style>.x { margin: 1px }</style><p id=x class=x>', '', also));
	expect(of(['margin-left'])).toEqual(['margin-left: 1px | – | –', 'margin-right: 1px | – | –']);
	expect(of(['margin'])).toEqual(['margin: 1px | – | –']);
});

it('tells a redundant override', () => {
	const of = collated(
		'<style>.x { width: 1px } @media (width >= 700px) { .x { width: 1px } } @media (width >= 1000px) { .x { width: 2px } }</style><p id=x class=x>'
	);
	expect(of.rows[0]?.cells.map(({ redundant }) => redundant !== undefined)).toEqual([false, true, false]);
});

it('joins columns that say the same', () => {
	const of = collated('<style>@media (width >= 1000px) { .x { width: 2px } }</style><p id=x class=x>');
	expect(alikeColumns(of, 3)).toEqual([
		[0, 2],
		[2, 3]
	]);
	expect(alikeColumns({ rows: [] }, 3)).toEqual([[0, 3]]);
});

it.each([
	['margin-inline', 'Box'],
	['border-top-width', 'Box'],
	['border-top-color', 'Colour and picture'],
	['inset', 'Place'],
	['gap', 'Flex and grid'],
	['order', 'Flex and grid'],
	['line-height', 'Type'],
	['text-align', 'Type'],
	['object-fit', 'Colour and picture'],
	['visibility', 'Show'],
	['--step', 'Custom properties'],
	['box-sizing', 'Rarely wanted'],
	['-webkit-text-stroke', 'Rarely wanted']
])('%s is about %s', (property, group) => {
	expect(groupOf(property)).toBe(group);
});

const ACROSS = { writingMode: 'horizontal-tb', direction: 'ltr' };
const flow = (writing: Writing) => (longhand: string) => physicalOf(longhand, writing);

it.each([
	['padding', '0 20px', 'padding-left', '0 20px 0 9px'],
	['padding', '0 9px 0 20px', 'padding-left', '0 9px'],
	['margin', '1px', 'margin-top', '9px 1px 1px'],
	['margin', 'auto calc(1px + 2vw) 0', 'margin-bottom', 'auto calc(1px + 2vw) 9px'],
	['inset', '9px 0 0', 'left', '9px 0 0 9px'],
	['border-width', '1px 2px 1px 9px', 'border-right-width', '1px 9px'],
	['margin-inline', 'auto', 'margin-right', 'auto 9px'],
	['margin-inline', 'auto', 'margin-top', undefined],
	['padding', 'var(--a) 1px', 'padding-left', undefined],
	['padding', 'inherit', 'padding-left', undefined],
	['font', '1px 2px', 'padding-left', undefined]
])('%s: %s with 9px for %s', (shorthand, value, side, result) => {
	expect(withSide(shorthand, value, side, '9px', flow(ACROSS))).toBe(result);
});

it('a side is named by the flow as the writing mode has it', () => {
	expect(logicalOf('margin-left', flow(ACROSS))).toBe('margin-inline-start');
	expect(logicalOf('margin-left', flow({ ...ACROSS, direction: 'rtl' }))).toBe('margin-inline-end');
	expect(logicalOf('top', flow({ ...ACROSS, writingMode: 'vertical-rl' }))).toBe('inset-inline-start');
	expect(logicalOf('color', flow(ACROSS))).toBeUndefined();
});
