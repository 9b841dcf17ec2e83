import { expect, it } from 'vitest';
import { parsePage } from '../html/index.ts';
import { candidatesFor, unsteadyName } from './index.ts';

it.each(
	'card hero-title col-6 mt-4 w-100 step2 is-open btn--primary nav__item h1 grid-2x2 mainNav siteHeader v2 text-center md:flex section3 isActiveTab rhythm top-level strip'.split(
		' '
	)
)('%s looks written by hand', (name) => {
	expect(unsteadyName(name)).toBeUndefined();
});

it.each([
	['sec-8f3a21', 'hash'],
	['css-1q2w3e', 'hash'],
	['sc-bdVaJa', 'hash'],
	['_3kXp9', 'hash'],
	['a1b2c3d4e5', 'hash'],
	['Button_root__x8J2k', 'suffix'],
	['card__9f86d0', 'suffix'],
	['ember1234', 'number'],
	['post-48213', 'number'],
	['aria-12-3-4-1', 'number'],
	['el-xkqzt', 'hash']
])('%s looks made by a tool: %s', (name, why) => {
	expect(unsteadyName(name)).toBe(why);
});

const PAGE = parsePage(
	'<!doctype html><body class=home><main><section class="board" id="sec-8f3a21"><ul class=strip><li class="item late">1<li class="item">2</ul></section><section><p>a<p>b</section></main>'
);
const candidates = (tag: string, n: number) => {
	const element = PAGE.elements.filter((one) => one.tag === tag)[n];
	return element
		? candidatesFor(element).map(
				({ selector, rung, fragile }) => `${rung}: ${selector}${fragile ? ' !' : ''}`
			)
		: [];
};

it('candidates go from the widest reach to the narrowest, the steady ones first', () => {
	expect(candidates('li', 0)).toEqual([
		'kind: li',
		'kind: ul > li',
		'page: .home .item',
		'class: .item',
		'class: .late',
		'class: .item.late',
		'section: .strip li',
		'section: .strip .item',
		'section: .strip > .item',
		'this: .strip > li:nth-of-type(1) !',
		'this: section:nth-of-type(1) > ul > li:nth-of-type(1) !',
		'part: .strip > .item::after',
		'part: .strip > .item::before'
	]);
	expect(candidates('section', 0)).toContain('this: #sec-8f3a21 !');
	expect(candidates('ul', 0)).toContain('part: .board > .strip > .item');
	expect(candidates('p', 1)).toContain('section: section:nth-of-type(2) p !');
});

it('a class is remarked on that a given sheet has, that elements of other kinds carry, or that no sheet names', () => {
	const page = parsePage('<!doctype html><p class="host shared lone">x<div class="shared"></div>');
	const [p] = page.elements.filter(({ tag }) => tag === 'p');
	const styled = new Map([
		['host', new Set(['own.css', 'host.css'])],
		['shared', new Set(['own.css'])]
	]);
	const known = {
		unsteady: new Set<string>(),
		styled,
		given: new Set(['host.css']),
		elements: page.elements
	};
	const remarks = new Map(
		(p ? candidatesFor(p, known) : []).map(({ selector, remark }) => [selector, remark])
	);
	expect(remarks.get('.host')).toBe('it belongs to host.css, which is given and may change by itself');
	expect(remarks.get('.shared')).toBe('div has this class too');
	expect(remarks.get('.lone')).toBe('no sheet of this page names this class');
});
