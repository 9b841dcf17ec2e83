import { clientBundle } from '../../tests/bundle.ts';
import { compareSweeps, type Compared } from '../../tests/engine/sweptPages.ts';
import type { Bench } from '../bench.ts';
import { withSite } from '../browser.ts';

const PAGES = 200;

let compared: Promise<Compared[]> | undefined;
const compare = (): Promise<Compared[]> =>
	(compared ??= withSite({ 'index.html': '<p>x' }, async (page, server, site) => {
		await page.goto(`${server.url}/site/${site}/site`);
		await page.evaluate(await clientBundle());
		return compareSweeps(
			page,
			site,
			Array.from({ length: PAGES }, (_, i) => i)
		);
	}));

const sum = (all: readonly Compared[], of: (one: Compared) => number): number =>
	all.reduce((total, one) => total + of(one), 0);

export const benches: readonly Bench[] = [
	{
		name: `findings of ${PAGES} made pages that a quick sweep has otherwise at a width that it says it measured / all`,
		goal: { atMost: 0 },
		run: async () => {
			const all = await compare();
			for (const { seed, untold } of all) for (const one of untold) console.log(`  page ${seed}: ${one}`);
			return sum(all, ({ untold }) => untold.length) / sum(all, ({ findings }) => findings);
		}
	},
	{
		name: `findings of ${PAGES} made pages that a quick sweep has otherwise within a stretch that it names / all`,
		goal: { atMost: 0.02 },
		run: async () => {
			const all = await compare();
			return sum(all, ({ different }) => different) / sum(all, ({ findings }) => findings);
		}
	}
];
