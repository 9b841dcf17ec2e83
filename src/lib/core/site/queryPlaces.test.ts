import { expect, it } from 'vitest';
import { queryPlaces, sourcesOf } from './index.ts';

const sources = sourcesOf(() => undefined);

it.each([
	[
		'sheet',
		'@import "a" (width >= 1px);@import "b";a { @media (x) { b: c } } @media print {}',
		['(width >= 1px)', '(x)', 'print']
	],
	[
		'page',
		'<style media="(a)">@media (b) {}</style><link media=(c)><picture><source media="(d)" sizes="(e) 1px, 2px"><img sizes="(f) and (g) 1px, (h) calc(1px), 3px"></picture><p media="(no)" sizes="(no) 1px"><noscript><link media=(no)></noscript>',
		['(b)', '(a)', '(c)', '(d)', '(e)', '(f) and (g)', '(h)']
	],
	['page', '<link media="(width &lt; 1px)">', []]
] as const)('lists of media queries in a %s: %s', (kind, text, queries) => {
	const found = queryPlaces(text, kind, sources);
	expect(found.map((one) => one.text)).toEqual(queries);
	expect(found.map(({ span }) => text.slice(span.start, span.end))).toEqual(queries);
});
