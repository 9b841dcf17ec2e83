import { generate, parse } from 'css-tree';
import { parseSheet, type Rule } from '../../src/lib/core/css/index.ts';
import { writeInto } from '../../src/lib/core/css/edit/index.ts';
import { median, timeOf, type Bench } from '../bench.ts';
import { largeSheet } from '../sheets.ts';

const LONG = `${largeSheet(140_000).split('\n').slice(0, 5000).join('\n')}\n`;
const CONDITION = {
	text: '(width >= 900px)',
	same: (query: string) => query === '(width >= 900px)',
	before: () => false
};

/** Median time of writing a value into a band of a rule, ms; each sheet is read for the first time. */
function edits(): number {
	return median(
		Array.from({ length: 75 }, (_, i) => {
			const sheet = parseSheet(LONG);
			const rules = sheet.children.filter((node): node is Rule => node.kind === 'rule');
			const base = rules[(i * 37) % rules.length];
			if (!base) throw new Error('The sheet has no rules.');
			const selector = LONG.slice(base.prelude.start, base.prelude.end);
			const begun = performance.now();
			const done = writeInto(
				sheet,
				{ selector, condition: CONDITION, base },
				{ property: 'gap', value: '3px' }
			);
			const time = performance.now() - begun;
			if (!done.ok || done.value.changes.length === 0) throw new Error('Nothing was written.');
			return time;
		})
	);
}

export const benches: readonly Bench[] = [
	{
		name: 'parse and print of a sheet of 5,000 lines by css-tree / the text change for one edit in it',
		goal: { atLeast: 50 },
		run: () => Promise.resolve(timeOf(() => generate(parse(LONG)), 7, 2) / edits())
	}
];
