import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parsePage } from '../html/index.ts';
import { evaluate, parseMediaQueryList } from '../media/index.ts';
import { PLAIN, SHIPPED, type SeenVantage, type Vantage } from '../vantage/index.ts';
import { rulesOf, simulatedText, simulatePage, vantageOnPage } from './index.ts';
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
		const read = (vantage: SeenVantage): string => simulatedText(text, vantage);
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

describe('values as a vantage has them', () => {
	const bars: Vantage = {
		...handset,
		height: 700,
		bars: { top: 0, bottom: 100, state: 'out' },
		safeAreas: { top: 44, right: 0, bottom: 34, left: 0 }
	};
	const of = (css: string, vantage: Vantage): string => simulatedText(css, vantage);

	it.each([
		['a { height: 100vh }', 'a { height: 800px }'],
		['a { height: calc(100svh - 1.5lvb) }', 'a { height: calc(700px - 12px) }'],
		['a { --x: 10dvh; b: "10vh" url(10vh) /* 10vh */ }', 'a { --x: 70px; b: "10vh" url(10vh) /* 10vh */ }'],
		['a { width: 50vmin; left: -10vmin }', 'a { width: min(50vw, 400px); left: max(-10vw, -80px) }'],
		['a { width: 5vw; top: 3SVMAX }', 'a { width: 5vw; top: max(3vw, 21px) }'],
		['a { p: env(safe-area-inset-top, 3px) env( SAFE-x ) }', 'a { p: 44px env( SAFE-x ) }'],
		['@container (height > 10svh) { a { b: c } }', '@container (height > 70px) { a { b: c } }'],
		['@media (height > 10svh) { a { b: c } }', '@media (height > 70px) { a { b: c } }'],
		['@property --p { initial-value: 10vh }', '@property --p { initial-value: 10vh }'],
		['@supports (height: 1svh) { a { b: c } }', '@supports (height: 1svh) { a { b: c } }'],
		[
			'a:focus-within, b:focus { c: d }',
			'a:is(:focus-within, [data-vantaggio-focus-within]), b:is(:focus, [data-vantaggio-focus]) { c: d }'
		]
	])('%s', (css, read) => {
		expect(of(css, bars)).toBe(read);
		if (!css.includes('focus') && !css.includes('env')) expect(of(css, PLAIN)).toBe(css);
	});

	it.each([
		['light dark', 'dark'],
		['only light', 'only light'],
		['dark', 'dark'],
		['normal', 'normal']
	])('color-scheme: %s', (scheme, read) => {
		const night: Vantage = { ...PLAIN, colorScheme: 'dark' };
		expect(of(`:root { color-scheme: ${scheme} }`, night)).toBe(`:root { color-scheme: ${read} }`);
	});

	it('have the default text size where the root or a keyword asks for it', () => {
		const large: Vantage = { ...PLAIN, defaultFontSize: 24 };
		const lowest = '@layer vantaggio-lowest;';
		expect(of('html, .a b, .c { font-size: 62.5% !important }', large)).toBe(
			`${lowest}html, .a b, .c { font-size: 62.5% !important } html:where(:root), .c:where(:root) { font-size: 93.75% !important }`
		);
		expect(of('p { font: italic small/2 x }', large)).toBe(`${lowest}p { font: italic 21.36px/2 x }`);
		expect(of('p { font-size: 2em }', large)).toBe(`${lowest}p { font-size: 2em }`);
		expect(of('html { font-size: clamp(1rem, 2vw, 20px) }', large)).toContain('clamp(1.5rem, 2vw, 20px)');
		expect(rulesOf(large)).toContain(':root { font-size: 24px }');
	});

	it('are read in style attributes and colour scheme metas, and safe areas only where a page covers them', () => {
		const source =
			'<meta name="color-scheme" content="dark light"><p style="height: 10vh; x: }"></p><p style="height:10vh;b:&quot;10vh&quot;">';
		expect(simulatePage(parsePage(source), bars)).toBe(
			'<meta name="color-scheme" content="light"><p style="height: 10vh; x: }"></p><p style="height:80px;b:&quot;10vh&quot;">'
		);
		const cover = parsePage('<meta name=viewport content="width=device-width, viewport-fit=cover">');
		expect(vantageOnPage(cover, bars).safeAreas.top).toBe(44);
		expect(vantageOnPage(parsePage(source), bars).safeAreas.top).toBe(0);
	});
});
