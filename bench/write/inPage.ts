import { askingOf, cascadeOf, type Case, type Condition } from '../../src/lib/core/cascade/index.ts';
import { collate } from '../../src/lib/core/collation/index.ts';
import { parsePage } from '../../src/lib/core/html/index.ts';
import { contains, rational } from '../../src/lib/core/interval/index.ts';
import { solverOf } from '../../src/lib/core/media/index.ts';
import { sourcesOf } from '../../src/lib/core/site/index.ts';
import { PLAIN } from '../../src/lib/core/vantage/index.ts';
import { selectorIndex } from '../../src/lib/probe/cascade.ts';
import { engineOf } from '../../src/lib/session/engine.ts';
import { median, timeOf } from '../bench.ts';

/**
 * The time for collating the element `#x` at these widths, as after every change of a sheet, divided by that for a
 * layout of the page.
 */
export function collated(
	html: string,
	css: string,
	widths: readonly number[]
): { readonly ratio: number; readonly rows: number; readonly values: number } {
	const sources = sourcesOf((path) => (path === 'look.css' ? css : html));
	const cascade = cascadeOf(parsePage(html), 'index.html', sources);
	const asking = askingOf(cascade);
	const index = selectorIndex(asking.queries);
	const engine = engineOf(document);
	const solve = solverOf(PLAIN);
	const up: Element[] = [];
	for (let at = document.querySelector('#x'); at; at = at.parentElement) up.push(at);
	const matches = up.map((element) => index.matches(element));
	const rowsNow = () => {
		const elements = matches.map((match) => ({
			applying: asking.applying(match),
			style: [],
			hints: [],
			layers: cascade.layers,
			physical: (longhand: string) => longhand,
			engine
		}));
		const columns = widths.map((width): Case[] => {
			const known = new Map<Condition, boolean>();
			const holds = (one: Condition): boolean => {
				let answer = known.get(one);
				if (answer === undefined) {
					answer = one.kind !== 'media' || contains(solve(one.queries), rational(width));
					known.set(one, answer);
				}
				return answer;
			};
			return elements.map((of) => ({ ...of, holds }));
		});
		return collate({ columns, sameAsParent: () => false, registered: cascade.registered }).rows;
	};
	let n = 0;
	// Alternately, because the machine's speed varies.
	const ratios = Array.from({ length: 5 }, () => {
		const ours = timeOf(rowsNow, 9);
		const layout = timeOf(() => {
			document.body.style.width = `${500 + (n++ % 9)}px`;
			return document.body.offsetHeight;
		}, 9);
		return ours / layout;
	});
	const own = asking.applying(matches[0] ?? []);
	return {
		ratio: median(ratios),
		rows: rowsNow().length,
		values: own.reduce((sum, { declared }) => sum + declared.declarations.length, 0)
	};
}
