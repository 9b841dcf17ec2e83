import { transform } from 'lightningcss';
import { parseSheet } from '../../src/lib/core/css/index.ts';
import { simulatedSheet } from '../../src/lib/core/simulate/index.ts';
import { PLAIN, SHIPPED } from '../../src/lib/core/vantage/index.ts';
import { timeOf, type Bench } from '../bench.ts';
import { largeSheet } from '../sheets.ts';

const SIZE = 200_000;

/** A sheet in which every kind of rewriting has something to do. */
const sheet = largeSheet(SIZE).replaceAll('1px +', '10svh + env(safe-area-inset-top, 1px) +');

export const benches: readonly Bench[] = [
	{
		name: 'parse and rewrite of a 200 kB sheet for a vantage with bars / lightningcss’ parse and print of it',
		goal: { atMost: 3 },
		run: async () => {
			const vantage = { ...(SHIPPED[1] ?? PLAIN), defaultFontSize: 20 };
			const code = new TextEncoder().encode(sheet);
			const ours = timeOf(() => simulatedSheet(parseSheet(sheet))(vantage));
			return ours / timeOf(() => transform({ filename: 'a.css', code }));
		}
	}
];
