import { expect, it } from 'vitest';
import { parseSheet } from '../css/index.ts';
import { classesOursFirst, usedValues } from './index.ts';

it('numbers and custom properties in use are told with their counts, of sides those of all sides', () => {
	const sheets = [
		'p { font-size: 1rem; margin: 0 auto } li { font-size: inherit; margin: var(--gap) 1rem }',
		'ol { font-size: 1rem; gap: 20px } ul { row-gap: 20px; margin-top: 1rem }',
		'h1 { font-size: clamp(1rem, 2vw + 0.5rem, 3rem); margin-top: calc(1px + (2 * var(--gap))); margin: 0 }'
	].map((text) => parseSheet(text));
	const used = (property: string): string[] =>
		usedValues(sheets, property).map(({ value, count }) => `${count} × ${value}`);
	expect(used('font-size')).toEqual(['2 × 1rem', '1 × clamp(1rem, 2vw + 0.5rem, 3rem)']);
	expect(used('margin-left')).toEqual([
		'2 × 0',
		'2 × 1rem',
		'1 × var(--gap)',
		'1 × calc(1px + (2 * var(--gap)))'
	]);
	expect(used('column-gap')).toEqual(['2 × 20px']);
	expect(used('order')).toEqual([]);
});

it('classes of our sheets come first, then the page’s, then those that only given sheets style', () => {
	const styled = new Map([
		['host', new Set(['given.css'])],
		['card', new Set(['given.css', 'ours.css'])],
		['strip', new Set(['ours.css'])]
	]);
	expect(classesOursFirst({ classes: ['k8', 'strip'], styled }, (file) => file === 'given.css')).toEqual([
		'card',
		'strip',
		'k8',
		'host'
	]);
});
