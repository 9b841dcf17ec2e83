import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChanges } from '../../text/index.ts';
import { parseSheet } from '../index.ts';
import { givenBy, inlineCustomProperty, isCustomName, useCustomProperty } from './customProperty.ts';

const used = (source: string, value: string): string =>
	applyChanges(source, useCustomProperty(parseSheet(source), '--sea', value));
const inlined = (source: string, value: string): string =>
	applyChanges(source, inlineCustomProperty(parseSheet(source), '--sea', value));

describe('a custom property', () => {
	it.each([
		[
			'a { color: #0AF; border: 1px solid #0af }',
			'#0af',
			'a { color: var(--sea); border: 1px solid var(--sea) }'
		],
		['a { margin: 10px 10px 1px; x: 110px }', '10px', 'a { margin: var(--sea) var(--sea) 1px; x: 110px }'],
		['a { b: min(10px, 2vw); --sea: 10px }', '10px', 'a { b: min(var(--sea), 2vw); --sea: 10px }'],
		['a { b: clamp(1px, 2vw, 3px)!important }', 'clamp(1px,2vw,3px)', 'a { b: var(--sea)!important }'],
		[
			'@media (width >= 10px) { @font-face { x: 10px } }',
			'10px',
			'@media (width >= 10px) { @font-face { x: 10px } }'
		],
		['a { b: "10px" url(10px) }', '10px', 'a { b: "10px" url(10px) }'],
		['a { b: (c }', '(', 'a { b: (c }']
	])('stands in place of a value: %j', (source, value, result) => {
		expect(used(source, value)).toBe(result);
	});

	it.each([
		['a { b: var(--sea) 1px; c: var( --sea , red ) }', '#0af', 'a { b: #0af 1px; c: #0af }'],
		['a { b: calc(2 * VAR(--sea)); c: var(--seas) }', '3px', 'a { b: calc(2 * 3px); c: var(--seas) }']
	])('gives way to its value: %j', (source, value, result) => {
		expect(inlined(source, value)).toBe(result);
	});

	it('comes and goes without a trace', () => {
		const value = fc.constantFrom('10px', '#0af', '1px solid', 'min(1px, 2vw)', 'red');
		const text = fc.array(
			fc.tuple(fc.constantFrom('a', 'margin', '--x'), fc.array(value, { minLength: 1, maxLength: 3 })),
			{
				maxLength: 5
			}
		);
		fc.assert(
			fc.property(text, value, (all, sought) => {
				const source = `x {${all.map(([name, values]) => ` ${name}: ${values.join(' ')};`).join('')} }`;
				expect(inlined(used(source, sought), sought)).toBe(source);
			})
		);
	});

	it('has a name with two dashes, and is found where it is given', () => {
		expect(['--sea', '--Sea-2', '--', 'sea', '--a b', '--a;'].map(isCustomName)).toEqual([
			true,
			true,
			false,
			false,
			false,
			false
		]);
		expect(givenBy(parseSheet('a { --sea: 1; --SEA: 2 } b { --sea: 3 }'), '--sea')).toHaveLength(2);
	});
});
