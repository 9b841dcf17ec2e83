import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseSheet } from '../css/index.ts';
import { parsePage } from '../html/index.ts';
import { evaluate, parseMediaQueryList } from '../media/index.ts';
import { PLAIN, SHIPPED, type Vantage } from '../vantage/index.ts';
import { simulatedSheet, simulatePage } from './index.ts';
import { simulateQuery } from './query.ts';
import { simulateSelector } from './selector.ts';

const handset = SHIPPED[1] as Vantage;
const ALWAYS = '(min-width: 0px)';
const NEVER = '(max-width: -1px)';

describe('media queries as a vantage reads them', () => {
	it.each([
		['(width >= 600px) and (orientation: landscape)', '(width >= 600px) and (orientation: landscape)'],
		['(hover: hover) and (min-width: 1000px)', `${NEVER} and (min-width: 1000px)`],
		['not (hover)', `not ${NEVER}`],
		['(pointer: coarse), screen and (prefers-color-scheme: dark)', `${ALWAYS}, screen and ${NEVER}`],
		['(max-device-width: 480px)', '(max-width: 480px)'],
		['(device-aspect-ratio > 1/1)', '(aspect-ratio > 1/1)'],
		['(min-resolution: 2dppx)', '(min-resolution: 2dppx)'],
		['(unheard: of) or (hover)', `(unheard: of) or ${NEVER}`],
		['((hover) or (width > 40em))', `(${NEVER} or (width > 40em))`],
		['and (hover)', 'and (hover)']
	])('%s', (query, read) => {
		expect(simulateQuery(query, handset)).toBe(read);
	});

	it('with another default text size, have px for em', () => {
		const large = { ...PLAIN, defaultFontSize: 20 };
		expect(simulateQuery('(min-width: 40em) and (width < calc(10rem + 1.5em))', large)).toBe(
			'(min-width: 800px) and (width < calc(200px + 30px))'
		);
	});

	it('in print, have the medium resolved', () => {
		const print: Vantage = { ...PLAIN, medium: 'print' };
		expect(
			simulateQuery('print and (width > 5px), screen, not screen and (width > 5px), only print', print)
		).toBe('all and (width > 5px), not all, all, only all');
	});

	it('keep their truth: a plain engine answers the rewritten as the vantage the original', () => {
		const part = fc.constantFrom(
			'(hover)',
			'(hover: none)',
			'(pointer: fine)',
			'(any-pointer: coarse)',
			'(prefers-color-scheme: dark)',
			'(prefers-reduced-motion)',
			'(scripting)',
			'(width >= 500px)',
			'(min-device-width: 40em)',
			'(orientation: portrait)',
			'(grid)',
			'(update: fast)',
			'(odd: thing)'
		);
		const query = fc
			.tuple(fc.constantFrom('', 'not '), part, fc.constantFrom(' and ', ' or '), part)
			.map(([not, a, joint, b]) => (not ? `not (${a}${joint}${b})` : `${a}${joint}${b}`));
		const vantage = fc.constantFrom<Vantage>(...SHIPPED, {
			...handset,
			colorScheme: 'dark',
			reducedMotion: true,
			defaultFontSize: 24
		});
		fc.assert(
			fc.property(query, vantage, (text, of) => {
				const engine = { ...PLAIN, width: of.width, height: of.height, density: of.density };
				expect(evaluate(parseMediaQueryList(simulateQuery(text, of)), engine)).toBe(
					evaluate(parseMediaQueryList(text), of)
				);
			}),
			{ numRuns: 1000 }
		);
	});
});

describe('selectors as a vantage reads them', () => {
	it.each([
		['a:hover > b', 'a:is(:hover, [data-vantaggio-hover]) > b', 'a[data-vantaggio-hover] > b'],
		[
			'li:not(:hover):ACTIVE, :where(a:hover)',
			'li:not(:is(:hover, [data-vantaggio-hover])):is(:active, [data-vantaggio-active]), :where(a:is(:hover, [data-vantaggio-hover]))',
			'li:not([data-vantaggio-hover])[data-vantaggio-active], :where(a[data-vantaggio-hover])'
		],
		[
			'a::before:hover, b:hover::after',
			'a::before:hover, b:is(:hover, [data-vantaggio-hover])::after',
			'a::before:hover, b[data-vantaggio-hover]::after'
		],
		['a:before:hover', 'a:before:hover', 'a:before:hover'],
		[
			'.hover [title=":hover"] :hovering',
			'.hover [title=":hover"] :hovering',
			'.hover [title=":hover"] :hovering'
		]
	])('%s', (selector, mouse, touch) => {
		expect(simulateSelector(selector, PLAIN)).toBe(mouse);
		expect(simulateSelector(selector, handset)).toBe(touch);
	});
});

describe('sheets and pages as a vantage reads them', () => {
	it('change nowhere else', () => {
		const text =
			'/* (hover) */ @media (hover) { a:hover { content: ":hover (hover)" } @media (width > 5px) { b { c: d } } }';
		const read = simulatedSheet(parseSheet(text));
		expect(read(handset)).toBe(
			text.replace('@media (hover)', `@media ${NEVER}`).replace('a:hover', 'a[data-vantaggio-hover]')
		);
		expect(read(PLAIN)).toBe(
			text
				.replace('@media (hover)', `@media ${ALWAYS}`)
				.replace('a:hover', 'a:is(:hover, [data-vantaggio-hover])')
		);
	});

	it('have their media and sizes attributes read too', () => {
		const source =
			'<style media="(hover)"></style><picture><source media=\'(width > 5px) and (pointer: fine)\' srcset=a><img sizes="(hover) 5vw, 9vw" title="(hover)"></picture>';
		expect(simulatePage(parsePage(source), handset)).toBe(
			`<style media="${NEVER}"></style><picture><source media="(width > 5px) and ${NEVER}" srcset=a><img sizes="${NEVER} 5vw, 9vw" title="(hover)"></picture>`
		);
		const plain = '<img sizes="(width > 5px) 5vw, 9vw">';
		expect(simulatePage(parsePage(plain), handset)).toBe(plain);
	});
});
