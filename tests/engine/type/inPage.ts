import {
	askingOf,
	cascadeOf,
	hintDeclarations,
	physicalOf,
	styleDeclarations,
	type Case
} from '../../../src/lib/core/cascade/index.ts';
import { parsePage } from '../../../src/lib/core/html/index.ts';
import { contains, rationalFromNumber, toNumber } from '../../../src/lib/core/interval/index.ts';
import { over, valueOn } from '../../../src/lib/core/length/index.ts';
import { bandsOf, lengthContext, solverOf } from '../../../src/lib/core/media/index.ts';
import { conditionsOfPage, sourcesOf } from '../../../src/lib/core/site/index.ts';
import { sizing, stretchesOf } from '../../../src/lib/core/type/index.ts';
import { PLAIN } from '../../../src/lib/core/vantage/index.ts';
import { selectorIndex } from '../../../src/lib/probe/cascade.ts';
import { elementByPath } from '../../../src/lib/probe/path.ts';
import { engineOf } from '../../../src/lib/state/engine.ts';

export interface SizesChecked {
	readonly compared: number;
	/** Elements whose size is left to the engine, with why. */
	readonly asked: readonly string[];
	readonly wrong: readonly string[];
	/** The widths, CSS px, as the page itself had them. */
	readonly fractions: number;
}

/** How high the frame is, CSS px. */
const HEIGHT = 720;

/**
 * Lays a page out in a frame at some widths, fractions of a px as zoom gives them, and compares the size of every element
 * with what its curve has there.
 */
export async function checkSizes(
	address: string,
	path: string,
	files: Readonly<Record<string, string>>,
	widths: readonly number[],
	zoom: number
): Promise<SizesChecked> {
	const frame = document.createElement('iframe');
	frame.style.cssText = `border: 0; height: ${HEIGHT}px; width: 1000px; zoom: ${zoom}`;
	frame.src = address;
	document.body.replaceChildren(frame);
	await new Promise((done) => frame.addEventListener('load', done));
	const inner = frame.contentDocument;
	const view = inner?.defaultView;
	if (!inner || !view) throw new Error('The frame has no document.');
	// Bars take width from the viewport in layout, not from its units.
	inner.documentElement.style.overflow = 'hidden';

	const sources = sourcesOf((file) => files[file]);
	const page = parsePage(files[path] ?? '');
	const cascade = cascadeOf(page, path, sources);
	const asking = askingOf(cascade);
	const index = selectorIndex(asking.asked);
	const engine = engineOf(document);
	const vantage = { ...PLAIN, height: HEIGHT };
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
				const here = rationalFromNumber(width);
				const one: Case = {
					...fixed,
					holds: (condition) =>
						condition.kind === 'media'
							? contains(solve(condition.queries), here)
							: condition.kind === 'supports' && CSS.supports(condition.text)
				};
				cases.set(width, one);
				return one;
			}
		};
	});
	const { heights } = lengthContext(vantage);
	const { size } = sizing(elements, { stretches, heights, defaultSize: 16 });
	const sizes = elements.map((_, i) => size(i));
	const wrong: string[] = [];
	let [compared, fractions] = [0, 0];
	const ruler = inner.body.appendChild(inner.createElement('div'));
	ruler.style.cssText = 'position: fixed; width: 100vw; height: 0';
	for (const width of widths) {
		frame.style.width = `${width}px`;
		const here = Math.round(ruler.getBoundingClientRect().width * 64) / 64;
		if (!Number.isInteger(here)) fractions++;
		found.forEach(({ source, element }, i) => {
			const { curve } = sizes[i] ?? {};
			const own = curve && valueOn(curve, rationalFromNumber(here));
			if (!own) return;
			compared++;
			const theirs = parseFloat(view.getComputedStyle(element).fontSize);
			if (Math.abs(theirs - toNumber(own)) > 1 / 64)
				wrong.push(
					`${source.tag}.${source.attributes.get('class')?.value ?? ''} at ${here}: ${toNumber(own)}, the engine has ${theirs}`
				);
		});
	}
	const asked = found.flatMap(({ source }, i) =>
		sizes[i]?.curve ? [] : [`${source.tag}.${source.attributes.get('class')?.value ?? ''}: ${sizes[i]?.why}`]
	);
	return { compared, asked, wrong, fractions };
}
