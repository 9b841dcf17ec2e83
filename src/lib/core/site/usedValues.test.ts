import { expect, it } from 'vitest';
import { classesOursFirst, usedValues } from './index.ts';

it('numbers and custom properties in use are told with their counts, of sides those of all sides', () => {
	const counts = new Map([
		[
			'font-size',
			new Map([
				['1rem', 3],
				['inherit', 9],
				['clamp(1rem, 2vw + 0.5rem, 3rem)', 1]
			])
		],
		[
			'margin',
			new Map([
				['0 auto', 4],
				['var(--gap) 1rem', 2]
			])
		],
		[
			'margin-top',
			new Map([
				['1rem', 1],
				['calc(1px + (2 * var(--gap)))', 1]
			])
		],
		['gap', new Map([['20px', 2]])],
		['row-gap', new Map([['20px', 1]])]
	]);
	const used = (property: string): string[] =>
		usedValues(counts, property).map(({ value, count }) => `${count} × ${value}`);
	expect(used('font-size')).toEqual(['3 × 1rem', '1 × clamp(1rem, 2vw + 0.5rem, 3rem)']);
	expect(used('margin-left')).toEqual([
		'4 × 0',
		'3 × 1rem',
		'2 × var(--gap)',
		'1 × calc(1px + (2 * var(--gap)))'
	]);
	expect(used('column-gap')).toEqual(['3 × 20px']);
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
