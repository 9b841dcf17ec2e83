import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { zipSync } from 'fflate';
import { damaged, WHOLE } from '../../tests/engine/damaged.ts';
import { QUERIES } from '../../tests/engine/queries.ts';
import { parseSheet } from '../../src/lib/core/css/index.ts';
import { lint } from '../../src/lib/core/grammar/index.ts';
import { pageNotes, parsePage } from '../../src/lib/core/html/index.ts';
import { evaluate, parseMediaQueryList, solve } from '../../src/lib/core/media/index.ts';
import { conditionsOfPage, sheetsOfPage, sourcesOf } from '../../src/lib/core/site/index.ts';
import { PLAIN } from '../../src/lib/core/vantage/index.ts';
import { bring } from '../../src/lib/server/import/index.ts';
import { sortFiles } from '../../src/lib/server/import/kinds.ts';
import { Problem } from '../../src/lib/server/problem.ts';
import type { Bench } from '../bench.ts';

const EACH = 5000;
/** The limit of processor time for an answer, ms. */
const LATE = 2000;

const SITE = join(import.meta.dirname, '../../demo/site');
const texts = async (ending: string): Promise<string[]> =>
	Promise.all(
		(await readdir(SITE, { recursive: true }))
			.filter((name) => name.endsWith(ending))
			.map((name) => readFile(join(SITE, name), 'utf8'))
	);

/** A zip with some bytes overwritten, determined by a seed. */
function damagedZip(zip: Uint8Array, seed: number): Uint8Array {
	const bytes = zip.slice(0, seed % 7 === 0 ? (seed * 7919) % zip.length : zip.length);
	for (let i = 0; i < 1 + (seed % 9); i++) {
		const at = (seed * 104729 + i * 1299709) % Math.max(1, bytes.length);
		// Mostly in the directory, on which everything else depends.
		const place = i % 2 === 0 ? Math.max(0, bytes.length - 1 - (at % 400)) : at;
		bytes[place] = (seed * 31 + i * 17) % 256;
	}
	return bytes;
}

/** How many of the damaged ones threw, or were answered too late. */
async function failures(name: string, answer: (seed: number) => unknown): Promise<number> {
	let failed = 0;
	for (let seed = 1; seed <= EACH; seed++) {
		const begun = process.cpuUsage();
		try {
			await answer(seed);
		} catch (error) {
			if (error instanceof Problem) continue;
			failed++;
			console.log(`  ${name} ${seed}: ${String(error)}`);
		}
		const { user, system } = process.cpuUsage(begun);
		if ((user + system) / 1000 <= LATE) continue;
		failed++;
		console.log(`  ${name} ${seed}: ${Math.round((user + system) / 1000)} ms`);
	}
	return failed;
}

export const benches: readonly Bench[] = [
	{
		name: `damaged sheets, pages, queries and zips that throw or take more than 2 s of processor time / ${4 * EACH}`,
		goal: { atMost: 0 },
		run: async () => {
			const sheets = [WHOLE, ...(await texts('.css'))];
			const pages = await texts('.html');
			const of = <X>(all: readonly X[], seed: number): X => all[seed % all.length] as X;
			const zip = zipSync(
				Object.fromEntries(
					[...pages, ...sheets].map((text, i) => [
						`${i}.${i < pages.length ? 'html' : 'css'}`,
						new TextEncoder().encode(text)
					])
				)
			);
			const reading = (_: 'sort', files: Parameters<typeof sortFiles>[0]) =>
				Promise.resolve(sortFiles(files));
			const failed = [
				await failures('sheet', (seed) => {
					const sheet = parseSheet(damaged(seed, of(sheets, seed)));
					return lint(sheet, () => false);
				}),
				await failures('page', (seed) => {
					const text = damaged(seed, of(pages, seed));
					const page = parsePage(text);
					const sources = sourcesOf(() => damaged(seed, WHOLE));
					return [pageNotes(page), sheetsOfPage(page, 'a.html'), conditionsOfPage(page, 'a.html', sources)];
				}),
				await failures('query', (seed) => {
					const list = parseMediaQueryList(damaged(seed, of(QUERIES, seed)));
					return [solve(list, PLAIN), evaluate(list, PLAIN)];
				}),
				await failures('zip', (seed) => bring([{ path: 'a.zip', bytes: damagedZip(zip, seed) }], reading))
			];
			return failed.reduce((sum, one) => sum + one, 0) / (4 * EACH);
		}
	}
];
