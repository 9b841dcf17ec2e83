import { zipSync } from 'fflate';
import { partsIn } from '../../src/lib/core/css/parts.ts';
import { readSheet } from '../../src/lib/core/css/read.ts';
import { lint } from '../../src/lib/core/grammar/index.ts';
import { pageNotes, parsePage } from '../../src/lib/core/html/index.ts';
import { parseMediaQueryList } from '../../src/lib/core/media/index.ts';
import { codec } from '../../src/lib/server/codec.ts';
import { encodeText } from '../../src/lib/core/text/index.ts';
import { median, onceOf, type Bench } from '../bench.ts';
import { withSite } from '../browser.ts';

/** Texts that are hard for careless parsers, by size. */
type Hard = (size: number) => string;

const list = (size: number, of: (i: number) => string, between = ', '): string =>
	Array.from({ length: size }, (_, i) => of(i)).join(between);

const SHEETS: readonly Hard[] = [
	(n) => 'a{'.repeat(20 * n),
	(n) => '}'.repeat(20 * n),
	(n) => 'a;'.repeat(20 * n),
	(n) => `a{${'b '.repeat(40 * n)}}`,
	(n) => `a{${'b:c {'.repeat(10 * n)}`,
	(n) => `a{${'b:url('.repeat(20 * n)}`,
	(n) => list(5 * n, (i) => `.a${i} > b { color: red; & c { d: e } }`, '\n')
];
const PAGES: readonly Hard[] = [
	(n) => '<p>'.repeat(10 * n),
	(n) => '<div>'.repeat(10 * n),
	(n) => list(n, (i) => `<b id=${i}>`, '') + '<p>'.repeat(n),
	(n) => `<a ${list(5 * n, (i) => `a${i}=1`, ' ')}>`,
	(n) => `<table>${'<b>x</b>'.repeat(5 * n)}`,
	(n) => '<i></b>'.repeat(5 * n),
	(n) => '<a><div>'.repeat(5 * n)
];
const QUERIES: readonly Hard[] = [
	(n) => '('.repeat(10 * n),
	(n) => '('.repeat(10 * n) + ')'.repeat(10 * n),
	(n) => list(2 * n, () => '(width > 1px)', ' and '),
	(n) => list(2 * n, () => '(width > 1px)'),
	(n) => 'not ('.repeat(5 * n),
	(n) => `(x(${'[]{}()'.repeat(5 * n)}))`,
	(n) => `(width > ${'calc('.repeat(5 * n)}1px${')'.repeat(5 * n)})`
];
const LINTED: readonly Hard[] = [
	(n) => `a { clip-path: polygon(${list(n, (i) => `${i} ${i}`)}) }`,
	(n) => `a { box-shadow: ${list(n, (i) => `${i}px 1px red`)} }`,
	(n) => `a { grid-template-columns: ${'[a] 1px '.repeat(n)} }`,
	(n) => `a { width: ${'calc('.repeat(5 * n)}1px${')'.repeat(5 * n)} }`,
	(n) => `a { ${list(n, (i) => `colr${i + 10_000}: red; width: ${i + 1}`, '; ')} }`
];
const SAVED: readonly Hard[] = [
	(n) => list(5 * n, (i) => `.a${i} { color: red }`, '\n'),
	(n) => list(5 * n, () => 'a { b: c }', '\n')
];

/**
 * How much longer a doubled text takes, in the worst of some texts: over three doublings, by the fastest of
 * alternating runs, so that neither garbage collection nor other processes decide.
 */
const doubled = (texts: readonly Hard[], work: (text: string) => unknown) => (): Promise<number> => {
	const ratios = texts.map((of) => {
		const [small, large] = [of(500), of(4000)];
		const times = Array.from(
			{ length: 15 },
			() => [onceOf(() => work(small)), onceOf(() => work(large))] as const
		);
		const [least, most] = ([0, 1] as const).map((i) => Math.min(...times.map((one) => one[i])));
		return Math.cbrt((most ?? NaN) / (least ?? NaN));
	});
	return Promise.resolve(Math.max(...ratios));
};

const bench = (name: string, texts: readonly Hard[], work: (text: string) => unknown): Bench => ({
	name: `twice the input / once, ${name}, in the worst of ${texts.length} hard ones`,
	goal: { atMost: 2.2 },
	run: doubled(texts, work)
});

/** Every line is indented anew. */
const saved = (text: string): Uint8Array =>
	encodeText(text.replace(/^/gm, '\t'), new TextEncoder().encode(text), codec);

export const benches: readonly Bench[] = [
	bench('a sheet and its parts', SHEETS, (text) => [partsIn(text), readSheet(text)]),
	bench('a page and its notes', PAGES, (text) => pageNotes(parsePage(text))),
	bench('a query', QUERIES, parseMediaQueryList),
	bench('a sheet linted', LINTED, (text) => lint(readSheet(text), () => false)),
	bench('a save of lines that all changed', SAVED, saved),
	{
		name: 'the slowest answer of health while eight pages of 31 MB are read / the usual one of an idle server',
		goal: { atMost: 100 },
		run: () => {
			const page = new TextEncoder().encode(`<!doctype html>${'<p>'.repeat((31 * 1024 * 1024) / 3)}`);
			const zip = zipSync(Object.fromEntries(Array.from({ length: 8 }, (_, i) => [`${i}.html`, page])));
			return withSite({ 'index.html': '<p>x' }, async (_, { url }) => {
				const ask = async (): Promise<number> => {
					const begun = performance.now();
					await (await fetch(`${url}/api/health`)).text();
					return performance.now() - begun;
				};
				const idle: number[] = [];
				for (let i = 0; i < 50; i++) idle.push(await ask());
				const form = new FormData();
				form.append('path', 'site.zip');
				form.append('file', new File([new Uint8Array(zip)], 'site.zip'));
				let done = false;
				const upload = fetch(`${url}/api/sites`, { method: 'POST', body: form }).then(async (reply) => {
					done = true;
					await reply.text();
				});
				const busy: number[] = [];
				while (!done) busy.push(await ask());
				await upload;
				return Math.max(...busy) / median(idle);
			});
		}
	}
];
