import { transform } from 'lightningcss';
import { simulatedText } from '../../src/lib/core/simulate/index.ts';
import { PLAIN, SHIPPED } from '../../src/lib/core/vantage/index.ts';
import { timeOf, type Bench } from '../bench.ts';
import { differentSheets } from '../sheets.ts';

const SIZE = 200_000;

/** Sheets in which every kind of rewriting is needed. */
function rewritten(): () => string {
	const next = differentSheets(SIZE);
	return () => next().replaceAll('1px +', '10svh + env(safe-area-inset-top, 1px) +');
}

export const benches: readonly Bench[] = [
	{
		name: 'parse and rewrite of a 200 kB sheet for a vantage with bars / lightningcss’ parse and print of it',
		goal: { atMost: 3 },
		run: async () => {
			const vantage = { ...(SHIPPED[1] ?? PLAIN), defaultFontSize: 20 };
			const [ours, theirs] = [rewritten(), rewritten()];
			const encoder = new TextEncoder();
			return (
				timeOf(() => simulatedText(ours(), vantage)) /
				timeOf(() => transform({ filename: 'a.css', code: encoder.encode(theirs()) }))
			);
		}
	}
];
