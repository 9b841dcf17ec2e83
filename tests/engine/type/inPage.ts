import { rationalFromNumber, toNumber } from '../../../src/lib/core/interval/index.ts';
import { valueOn } from '../../../src/lib/core/length/index.ts';
import { sizing } from '../../../src/lib/core/type/index.ts';
import { sizedIn } from './sized.ts';

export interface SizesChecked {
	readonly compared: number;
	/** Elements whose size is left to the engine, and why. */
	readonly asked: readonly string[];
	readonly wrong: readonly string[];
	/** The widths, CSS px, according to the page itself. */
	readonly fractions: number;
}

/** How high the frame is, CSS px. */
const HEIGHT = 720;

/**
 * Lays a page out in a frame at some widths, fractions of a px by zooming, and compares the size of every element
 * with its curve.
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
	// Scrollbars reduce the viewport in layout, not for its units.
	inner.documentElement.style.overflow = 'hidden';

	const { found, elements, stretches, heights } = sizedIn(inner, path, files, HEIGHT);
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
