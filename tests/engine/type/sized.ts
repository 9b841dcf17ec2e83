import {
	askingOf,
	cascadeOf,
	hintDeclarations,
	physicalOf,
	styleDeclarations,
	type Case,
	type Condition
} from '../../../src/lib/core/cascade/index.ts';
import { parsePage, type PageElement } from '../../../src/lib/core/html/index.ts';
import { contains, rationalFromNumber } from '../../../src/lib/core/interval/index.ts';
import { over } from '../../../src/lib/core/length/index.ts';
import { bandsOf, lengthContext, solverOf } from '../../../src/lib/core/media/index.ts';
import { conditionsOfPage, sourcesOf } from '../../../src/lib/core/site/index.ts';
import { stretchesOf, type SizeContext, type SizedElement } from '../../../src/lib/core/type/index.ts';
import { PLAIN } from '../../../src/lib/core/vantage/index.ts';
import { selectorIndex } from '../../../src/lib/probe/cascade.ts';
import { elementByPath } from '../../../src/lib/probe/path.ts';
import { engineOf } from '../../../src/lib/session/engine.ts';

/**
 * The elements of a document with these sources, in the form in which sizes are read, in a window of that height.
 */
export function sizedIn(
	inner: Document,
	path: string,
	files: Readonly<Record<string, string>>,
	height: number
): {
	readonly found: readonly { readonly source: PageElement; readonly element: Element }[];
	readonly elements: readonly SizedElement[];
} & Pick<SizeContext, 'stretches' | 'heights'> {
	const view = inner.defaultView ?? window;
	const sources = sourcesOf((file) => files[file]);
	const page = parsePage(files[path] ?? '');
	const cascade = cascadeOf(page, path, sources);
	const asking = askingOf(cascade);
	const index = selectorIndex(asking.queries);
	const engine = engineOf(document);
	const vantage = { ...PLAIN, height };
	const solve = solverOf(vantage);
	const { media } = conditionsOfPage(page, path, sources);
	const stretches = stretchesOf(
		bandsOf(media, solve),
		over(rationalFromNumber(200), rationalFromNumber(3000))
	);
	const found = page.elements.flatMap((source) => {
		const element = elementByPath(inner, source.path);
		return element ? [{ source, element }] : [];
	});
	const places = new Map(found.map(({ source }, i) => [source.path.join(), i]));
	const holding = new Map<number, (condition: Condition) => boolean>();
	/** Whether conditions hold at a width, each evaluated once. */
	const holdsAt = (width: number): ((condition: Condition) => boolean) => {
		const known = holding.get(width);
		if (known) return known;
		const here = rationalFromNumber(width);
		const answers = new Map<Condition, boolean>();
		const holds = (condition: Condition): boolean => {
			let answer = answers.get(condition);
			if (answer === undefined) {
				answer =
					condition.kind === 'media'
						? contains(solve(condition.queries), here)
						: condition.kind === 'supports' && CSS.supports(condition.text);
				answers.set(condition, answer);
			}
			return answer;
		};
		holding.set(width, holds);
		return holds;
	};
	const elements = found.map(({ source, element }) => {
		const fixed = {
			applying: asking.applying(index.matches(element)),
			style: styleDeclarations(page.source, path, source),
			hints: hintDeclarations(path, source),
			layers: cascade.layers,
			physical: (longhand: string) =>
				physicalOf(longhand, { writingMode: 'horizontal-tb', direction: 'ltr' }),
			engine
		};
		const cases = new Map<number, Case>();
		return {
			tag: source.tag,
			parent: source.parent ? (places.get(source.parent.path.join()) ?? -1) : -1,
			monospace: view.getComputedStyle(element).fontFamily === 'monospace',
			at(width: number): Case {
				const known = cases.get(width);
				if (known) return known;
				const one: Case = { ...fixed, holds: holdsAt(width) };
				cases.set(width, one);
				return one;
			}
		};
	});
	return { found, elements, stretches, heights: lengthContext(vantage).heights };
}
