import { expect, it } from 'vitest';
import { conditionsOfPage, sourcesOf } from '../site/index.ts';
import { PLAIN } from '../vantage/index.ts';
import { heightUses } from './index.ts';

it('lengths by the height of the window are told in px, where their conditions hold', () => {
	const text =
		'@media (width < 500px) { a { top: 1vh } } @media (min-width: 500px) { a { min-height: calc(60vh - 1px) } } .b { height: 100svh; inset: -5DVH auto 7px } .c { background: url(a60vh.png); --x: "9vh" }';
	const sources = sourcesOf((path) => (path === 'a.css' ? text : undefined));
	const page = sources.page('<link rel=stylesheet href=a.css>');
	const window = { ...PLAIN, bars: { top: 0, bottom: 50, state: 'out' as const } };
	const uses = heightUses(conditionsOfPage(page, 'p.html', sources), sources, window);
	expect(uses.map(({ property, length, px }) => [property, length, px])).toEqual([
		['inset', '-5DVH', -40],
		['min-height', '60vh', 510],
		['height', '100svh', 800]
	]);
	expect(text.slice(uses[1]?.offset)).toMatch(/^min-height: calc/);
});
