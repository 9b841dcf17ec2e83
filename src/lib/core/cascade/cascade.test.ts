import { expect, it } from 'vitest';
import { parsePage } from '../html/index.ts';
import { sourcesOf } from '../site/index.ts';
import { caseOf } from './case.fixture.ts';
import {
	cascadeOf,
	outcomeOf,
	physicalOf,
	substituted,
	variableSteps,
	verdictOf,
	type Case,
	type Holds
} from './index.ts';

/** What decides a property of that element, and why each other declaration does not. */
function decided(html: string, property: string, holds?: Holds) {
	const { winner, losers } = verdictOf(property, caseOf(html, holds));
	const said = losers.map(({ candidate, why }) => {
		const text = html.slice(candidate.span.start, candidate.span.end);
		return `${text}: ${why.kind === 'beaten' ? why.criterion : why.kind}`;
	});
	return [winner && html.slice(winner.span.start, winner.span.end), ...said];
}

it.each([
	['a later rule wins', '.x { color: red } .x { color: blue }', ['color: blue', 'color: red: order']],
	[
		'the same rule sets it again',
		'.x { margin: 1px; margin-left: 2px }',
		['margin-left: 2px', 'margin: 1px: set-again']
	],
	['specificity', '.x.x { color: red } .x { color: blue }', ['color: red', 'color: blue: specificity']],
	[
		'importance turns layers round',
		'@layer a { .x { color: red !important } } .x { color: blue !important } .x { color: lime }',
		['color: red !important', 'color: blue !important: layer', 'color: lime: importance']
	],
	[
		'what stands in no layer is stronger, and a layer than those in it',
		'@layer a { .x { color: red } @layer b { .x.x { color: lime } } } .x { color: blue }',
		['color: blue', 'color: red: layer', 'color: lime: layer']
	],
	[
		'what is not valid or not known takes no part',
		'.x { color: blue } .x { color: nope; colour: red }',
		['color: blue', 'color: nope: not-valid']
	],
	[
		'a state is a condition of the moment',
		'.x:hover { color: red } .x { color: blue }',
		['color: blue', 'color: red: state']
	],
	[
		'revert-layer gives way to the layer below',
		'@layer a { .x { color: red } } .x { color: lime } .x { color: revert-layer }',
		['color: red', 'color: revert-layer: gave-way', 'color: lime: order']
	],
	[
		'revert gives way to the browser',
		'.x { color: red } .x { color: revert }',
		[undefined, 'color: revert: gave-way', 'color: red: order']
	],
	[
		'nested rules come where they stand',
		'.x { color: red; & { color: lime } color: blue }',
		['color: blue', 'color: lime: order', 'color: red: set-again']
	]
])('%s', (_, css, expected) => {
	const property = css.includes('margin') ? 'margin-left' : 'color';
	expect(decided(`<style>${css}</style><p id=x class=x>`, property)).toEqual(expected);
});

it('a style attribute beats every selector, but not what is important; its places are those of the page', () => {
	const html =
		'<style>.x.x { color: red } .x { width: 1px !important }</style><p id=x style="color: blue; width: 2px">';
	expect(decided(html, 'color')).toEqual(['color: blue', 'color: red: style-attribute']);
	expect(decided(html, 'width')).toEqual(['width: 1px !important', 'width: 2px: importance']);
});

it('what does not hold is named with its condition; a layer that is not in force has no rank', () => {
	const html =
		'<style>@media (width < 9px) { @layer b {} } @layer a { .x { color: red } } @layer b { .x { color: lime } } @media (width > 9px) { .x { color: blue } }</style><p id=x class=x>';
	expect(decided(html, 'color', () => false)).toEqual([
		'color: lime',
		'color: red: layer',
		'color: blue: condition'
	]);
	expect(decided(html, 'color', ({ text }) => text.includes('<'))[0]).toBe('color: red');
});

it.each([
	['margin-inline-start', 'horizontal-tb', 'ltr', 'margin-left'],
	['margin-inline-start', 'horizontal-tb', 'rtl', 'margin-right'],
	['inset-block-end', 'vertical-rl', 'ltr', 'left'],
	['border-inline-end-color', 'vertical-lr', 'ltr', 'border-bottom-color'],
	['padding-inline-start', 'sideways-lr', 'ltr', 'padding-bottom'],
	['min-block-size', 'vertical-rl', 'ltr', 'min-width'],
	['overflow-inline', 'horizontal-tb', 'ltr', 'overflow-x'],
	['border-start-end-radius', 'vertical-rl', 'ltr', 'border-bottom-right-radius'],
	['color', 'vertical-rl', 'ltr', 'color']
])('%s in %s, %s is %s', (longhand, writingMode, direction, expected) => {
	expect(physicalOf(longhand, { writingMode, direction })).toBe(expected);
});

it('custom properties are followed to what they come to, through fallbacks and around cycles', () => {
	const html =
		'<style>.x { --a: var(--b) 1px; --b: 2px; --loop: var(--loop); --gone: initial }</style><p id=x class=x>';
	const steps = variableSteps('var(--a) var(--none, var(--b)) var(--loop) var(--gone)', 0, (name) =>
		outcomeOf(name, [caseOf(html)], () => false)
	);
	expect(steps.map(({ name, depth, kind, text }) => `${name} ${depth} ${kind} ${text}`.trim())).toEqual([
		'--a 0 given var(--b) 1px',
		'--b 1 given 2px',
		'--none 0 fallback var(--b)',
		'--b 1 given 2px',
		'--loop 0 given var(--loop)',
		'--loop 1 cycle',
		'--gone 0 missing'
	]);
});

it('custom properties are put in as they are read at computed-value time', () => {
	const of = caseOf('<style>.x { --a: var(--b) 1px; --b: 2px; --loop: var(--loop) }</style><p id=x class=x>');
	const put = (value: string, fits = true) =>
		substituted(
			value,
			0,
			(name) => outcomeOf(name, [of], () => false),
			(name) =>
				name === '--known' || name === '--b'
					? { inherits: false, initial: '7px', fits: (text) => text !== '2px' || fits }
					: undefined
		);
	expect(put('calc(var(--b) * 2)')).toBe('calc( 2px * 2)');
	expect(put('var(--a) red')).toBe('2px 1px red');
	expect(put('var(--none, var(--b, 3px))')).toBe('2px');
	expect(put('var(--known)')).toBe('7px');
	// What does not fit its registration counts as unset, whatever the fallback.
	expect(put('var(--b, 9px)', false)).toBe('7px');
	expect(put('var(--none)')).toBeNull();
	expect(put('var(--loop, 3px)')).toBe('3px');
});

it('presentational attributes are the weakest of the page’s own, and revert takes them too', () => {
	expect(decided('<table><td id=x width=40>', 'width')).toEqual(['width=40']);
	expect(
		decided('<table><td id=x class=x width=40><style>:where(.x) { width: 1px }</style>', 'width')
	).toEqual(['width: 1px', 'width=40: presentational-hint']);
	expect(decided('<style>.x { width: revert }</style><table><td id=x class=x width=40>', 'width')).toEqual([
		undefined,
		'width: revert: gave-way',
		'width=40: presentational-hint'
	]);
});

it('a registered property is inherited as its rule says, if that is valid', () => {
	const registered = (css: string) =>
		cascadeOf(
			parsePage(`<style>${css}</style>`),
			'a.html',
			sourcesOf(() => undefined)
		).registered;
	const rule = '@property --s { syntax: "<length>"; inherits: false; initial-value: 3px }';
	expect(registered(rule).get('--s')).toEqual({
		syntax: '<length>',
		inherits: false,
		initial: '3px'
	});
	expect(registered('@property --s { syntax: "*"; inherits: true }').get('--s')).toEqual({
		syntax: '*',
		inherits: true,
		initial: null
	});
	expect(registered('@property --s { syntax: "<length>"; inherits: false }').size).toBe(0);
	const [inner, outer] = [caseOf('<p id=x>'), caseOf('<style>.x { --s: 9px }</style><p id=x class=x>')];
	const kind = (css: string) => outcomeOf('--s', [inner, outer], () => true, registered(css))?.kind;
	expect([kind(rule), kind('')]).toEqual(['browser', 'inherited']);
});

it('a value is followed up to where it comes from', () => {
	const own = caseOf('<style>.x { width: 1px }</style><p id=x class=x>');
	const around = caseOf('<style>.x { color: red; margin: 2px }</style><p id=x class=x>');
	const asks = caseOf('<style>.x { margin: inherit; color: unset; width: initial }</style><p id=x class=x>');
	const said = (property: string, cases: Case[], same = true): string => {
		const outcome = outcomeOf(property, cases, () => same);
		return outcome ? `${outcome.kind}${outcome.kind === 'inherited' ? ` ${outcome.up}` : ''}` : '';
	};
	expect(said('width', [own, around])).toBe('own');
	expect(said('color', [own, own, around])).toBe('inherited 2');
	expect(said('color', [own, around], false)).toBe('browser');
	expect(said('margin-left', [own, around])).toBe('browser');
	expect(said('margin-left', [asks, around])).toBe('inherited 1');
	expect(said('color', [asks, around])).toBe('inherited 1');
	expect(said('width', [asks, around])).toBe('initial');
});
