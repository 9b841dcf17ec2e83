/** `npm run bench`, or `npm run bench -- AREA [WORDS OF A NAME]`: a line each, `name  ratio  goal  ok|short`; exit 1 when any is short. */
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { Bench } from './bench.ts';

const [only, ...words] = process.argv.slice(2);
const folder = import.meta.dirname;
const areas = (await readdir(folder, { withFileTypes: true }))
	.filter((entry) => entry.isDirectory())
	.map(({ name }) => name);
if (only && !areas.includes(only)) {
	console.error(`There is no area "${only}"; there are: ${areas.join(', ')}.`);
	process.exit(1);
}

let short = 0;
for (const area of only ? [only] : areas) {
	for (const file of (await readdir(join(folder, area)))
		.filter((name) => name.endsWith('.bench.ts'))
		.sort()) {
		const { benches } = (await import(join(folder, area, file))) as { benches: readonly Bench[] };
		for (const { name, goal, run } of benches) {
			if (!words.every((word) => name.includes(word))) continue;
			const ratio = await run();
			const [sign, limit] = 'atLeast' in goal ? ['≥', goal.atLeast] : ['≤', goal.atMost];
			const ok = 'atLeast' in goal ? ratio >= goal.atLeast : ratio <= goal.atMost;
			if (!ok) short++;
			console.log(`${area}: ${name}  ${ratio.toPrecision(3)}  ${sign} ${limit}  ${ok ? 'ok' : 'short'}`);
		}
	}
}
process.exit(short > 0 ? 1 : 0);
