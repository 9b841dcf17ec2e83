import { chosenCandidate, sourceSizes, srcsetCandidates, type Candidate } from '../../core/html/pictures.ts';
import { own } from '../../probe/own.ts';

type Offering = HTMLImageElement | HTMLSourceElement;
type Tree = Document | ShadowRoot;

/**
 * The width of pictures according to `sizes`, px, for the page's present window; undefined where layout decides it.
 */
function sizeOf(sizes: string, window: Window): number | undefined {
	const document = own(window.document);
	const ruler = document.createElement('i');
	// Lengths are computed even without a box, so nothing is laid out. Fonts are the initial ones (HTML §4.8.4.2.2).
	ruler.style.cssText = 'all: initial !important; display: none !important';
	(document.head ?? document.documentElement).append(ruler);
	try {
		for (const { condition, length } of [...sourceSizes(sizes), { condition: '', length: '100vw' }]) {
			if (/^auto$/i.test(length)) return undefined;
			if (condition !== '' && !window.matchMedia(condition).matches) continue;
			ruler.style.setProperty('width', 'initial', 'important');
			ruler.style.setProperty('width', length.replace(/(\d)rem\b/gi, '$1em'), 'important');
			const width = window.getComputedStyle(ruler).width;
			if (width.endsWith('px')) return parseFloat(width);
		}
		return undefined;
	} finally {
		ruler.remove();
	}
}

/** The `src` that an element offers besides its `srcset`, where no candidate there has a width. */
function besides(element: Offering, candidates: readonly Candidate[]): Candidate[] {
	const src = own(element).localName === 'img' ? element.getAttribute('src')?.trim() : undefined;
	return src && candidates.every(({ width }) => width === undefined) ? [{ address: src }] : [];
}

const written = ({ address, width, density = 1 }: Candidate): string =>
	`${address} ${width === undefined ? `${density}x` : `${width}w`}`;

/**
 * Chooses the pictures of a page like a browser with an empty cache. An engine that already has a sharper one, from
 * another frame or a greater width, would take that; so each element is left only the candidate that counts.
 */
export function pictureChoice(): (trees: readonly Tree[], window: Window, density: number) => void {
	/** The `srcset` of elements as on the page, and as it was left. */
	const given = new WeakMap<Offering, { readonly srcset: string; readonly left: string }>();
	return (trees, window, density) => {
		const sizes = new Map<string, number | undefined>();
		const sizeBy = (text: string): number | undefined => {
			if (!sizes.has(text)) sizes.set(text, sizeOf(text, window));
			return sizes.get(text);
		};
		const left = (element: Offering, srcset: string): string => {
			const candidates = srcsetCandidates(srcset);
			const all = [...candidates, ...besides(element, candidates)];
			if (all.length < 2) return srcset;
			const wide = all.some(({ width }) => width !== undefined);
			const size = wide ? sizeBy(element.getAttribute('sizes') ?? '') : 1;
			const chosen = size ? chosenCandidate(all, density, size) : undefined;
			if (!chosen) return srcset;
			return candidates.includes(chosen) ? written(chosen) : '';
		};
		for (const tree of trees) {
			for (const element of own(tree).querySelectorAll<Offering>('picture > source[srcset], img[srcset]')) {
				const now = element.getAttribute('srcset') ?? '';
				const before = given.get(element);
				const srcset = before?.left === now ? before.srcset : now;
				const next = left(element, srcset);
				if (next === now) continue;
				given.set(element, { srcset, left: next });
				element.setAttribute('srcset', next);
			}
			// Engines keep the density of the `<source>` that they took at another width.
			for (const image of own(tree).querySelectorAll('picture > img:not([srcset])')) {
				image.setAttribute('srcset', '');
				image.removeAttribute('srcset');
			}
		}
	};
}
