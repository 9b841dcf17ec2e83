import { parse } from 'css-tree';
import { parseSheet } from '../../src/lib/core/css/index.ts';
import { bandsOf, evaluate, solverOf } from '../../src/lib/core/media/index.ts';
import { conditionsOfPage, sourcesOf } from '../../src/lib/core/site/index.ts';
import { PLAIN } from '../../src/lib/core/vantage/index.ts';
import { timeOf, type Bench } from '../bench.ts';
import { differentSheets } from '../sheets.ts';

function manyBlocks(rules: number, blocks: number): string {
	const each = Math.ceil(rules / blocks);
	return Array.from({ length: blocks }, (_, i) => {
		const body = Array.from({ length: each }, (_, j) => `.r${i}-${j} { color: red; margin: ${j}px }`).join(
			'\n'
		);
		const query = i % 2 ? `(min-width: ${300 + i}px)` : `(${260 + i}px <= width < ${900 + 2 * i}px)`;
		return `@media ${query} {\n${body}\n}`;
	}).join('\n');
}

export const benches: readonly Bench[] = [
	{
		name: 'parse of a 500 kB sheet / css-tree’s parse of it',
		goal: { atMost: 1.6 },
		run: async () => {
			const [ours, theirs] = [differentSheets(500_000), differentSheets(500_000)];
			return timeOf(() => parseSheet(ours())) / timeOf(() => parse(theirs()));
		}
	},
	{
		name: 'every query at every px from 240 to 2560 / bands of 5,000 rules in 400 media blocks',
		goal: { atLeast: 50 },
		run: async () => {
			const files: Record<string, string> = {
				'a.html': '<link rel=stylesheet href=a.css>',
				'a.css': manyBlocks(5000, 400)
			};
			const prepared = sourcesOf((path) => files[path]);
			const page = prepared.page(files['a.html'] ?? '');
			const { media } = conditionsOfPage(page, 'a.html', prepared);
			const bands = timeOf(() => bandsOf(conditionsOfPage(page, 'a.html', prepared).media, solverOf(PLAIN)));
			const every = timeOf(
				() => {
					let holding = 0;
					for (let width = 240; width <= 2560; width++) {
						for (const { queries } of media) if (evaluate(queries, { ...PLAIN, width })) holding++;
					}
					return holding;
				},
				1,
				0
			);
			return every / bands;
		}
	}
];
