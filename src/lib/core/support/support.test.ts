import { expect, it } from 'vitest';
import { parseSheet } from '../css/index.ts';
import { limitOf, supportRemarks, type SupportTable } from './index.ts';

const TABLE: SupportTable = {
	'properties.gap': '2017-10-17',
	'properties.text-wrap.balance': '2024-05-13',
	'properties.newest': null,
	'selectors.has': '2023-12-19',
	'selectors.nesting': '2023-12-11',
	'at-rules.container': '2023-02-14',
	'at-rules.media.range_syntax': '2023-03-27',
	'types.clamp': '2020-07-28',
	'types.length.viewport_percentage_units_dynamic': '2022-12-05'
};
const said = (css: string, limit: string): string[] =>
	supportRemarks(parseSheet(css), TABLE, limit).map(({ sentence }) => sentence.replace(/;.*/, ''));

it.each([
	['a { gap: 1px; width: clamp(1px, 2vw, 3px) }', '2020-07-28', []],
	['a { width: clamp(1px, 2vw, 3px) }', '2020-07-27', ['`clamp()` is in every engine only since 2020-07-28']],
	['a { newest: 1 } b { newest: 2 }', '2026-01-01', ['`newest` is not in every engine']],
	[
		'a:has(b) { & i { text-wrap: balance } }',
		'2023-12-15',
		[
			'`:has` is in every engine only since 2023-12-19',
			'`text-wrap: balance` is in every engine only since 2024-05-13'
		]
	],
	[
		'@media (width >= 700px) { a { height: 50dvh } }',
		'2022-01-01',
		[
			'`a range in a media query` is in every engine only since 2023-03-27',
			'`the unit dvh` is in every engine only since 2022-12-05'
		]
	],
	['@media (min-width: 700px) { a { top: 0 } }', '2010-01-01', []],
	['@supports (newest: 1) { a { newest: 1 } }', '2020-01-01', []]
])('%s by %s', (css, limit, sentences) => {
	expect(said(css, limit)).toEqual(sentences);
});

it('a limit lies so many years back', () => {
	expect(limitOf({ years: 2.5 }, new Date('2026-11-25T12:00:00Z'))).toBe('2024-05-25');
});
