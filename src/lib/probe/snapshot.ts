import { own } from './own.ts';
import { blockOf, FLAG, type Snapshot } from '../core/snapshot/index.ts';
import { HOLDING, holdsAll } from './containing.ts';
import { isOpaque } from './opaque.ts';
import { isStacking, stackingSaid } from './stacking.ts';

export type { Snapshot };

const FOCUSABLE =
	'a[href],area[href],button:not([disabled]),input:not([disabled]):not([type=hidden]),select:not([disabled]),textarea:not([disabled]),summary,[tabindex],[contenteditable]:not([contenteditable=false]),audio[controls],video[controls]';
const REPLACED = new Set(['img', 'video', 'canvas', 'iframe', 'embed', 'object', 'svg', 'audio']);

/** Whether paint containment clips overflow (CSS Containment 2 §3.4), where any style mentions it. */
const isContained = (style: CSSStyleDeclaration, said: Around['stacking']): boolean =>
	said.some(([property]) => property === 'contain') && /\b(paint|strict|content)\b/.test(style.contain);

/** What affects an element's flags besides its own style. */
interface Around {
	/** Whether its box has a size. */
	readonly hasRoom: boolean;
	/** The `display` of its parent. */
	readonly display: string;
	/** Its own opacity, and whether it or an ancestor is translucent. */
	readonly opacity: number;
	readonly faded: boolean;
	readonly stacking: ReturnType<typeof stackingSaid>;
}

function flagsOf(element: Element, style: CSSStyleDeclaration, around: Around): number {
	let flags = 0;
	const { position, display, overflowX, overflowY } = style;
	// The content of a closed `<details>` has a box, but is not painted.
	const isDrawn = style.visibility === 'visible' && own(element).checkVisibility();
	if (isDrawn && (around.hasRoom || own(element).getClientRects().length > 0)) flags |= FLAG.shown;
	if (position === 'fixed') flags |= FLAG.fixed;
	if (position === 'sticky') flags |= FLAG.sticky;
	if (position !== 'static') flags |= FLAG.positioned;
	if (overflowX !== 'visible' || overflowY !== 'visible' || isContained(style, around.stacking))
		flags |= FLAG.clips;
	if (/^(auto|scroll)$/.test(overflowX)) flags |= FLAG.scrollsX;
	if (/^(auto|scroll)$/.test(overflowY)) flags |= FLAG.scrollsY;
	if (position === 'absolute') flags |= FLAG.absolute;
	if (display === 'inline') flags |= FLAG.inline;
	if (display.endsWith('flex')) flags |= FLAG.flexContainer;
	if (display.endsWith('grid')) flags |= FLAG.gridContainer;
	const item = /(flex|grid)$/.test(around.display) && position !== 'absolute' && position !== 'fixed';
	if (item) flags |= FLAG.item;
	if (isStacking(style, item, around.stacking)) flags |= FLAG.stacks;
	if (REPLACED.has(own(element).localName)) flags |= FLAG.replaced;
	if (/^(img|video)$/.test(own(element).localName) && style.objectFit === 'fill') flags |= FLAG.filled;
	if (around.opacity === 0) flags |= FLAG.clear;
	if (!around.faded && isOpaque(element, style)) flags |= FLAG.opaque;
	if (style.writingMode !== 'horizontal-tb') flags |= FLAG.vertical;
	return flags;
}

const hasPseudo = (window: Window, element: Element, pseudo: string): boolean => {
	const { content } = window.getComputedStyle(element, pseudo);
	return content !== 'none' && content !== 'normal' && content !== '';
};

const pseudosOf = (element: Element, window: Window): number =>
	(hasPseudo(window, element, '::before') ? FLAG.before : 0) |
	(hasPseudo(window, element, '::after') ? FLAG.after : 0);

function naturalSize(element: Element): [number, number] {
	if (own(element).localName === 'img') {
		const image = element as HTMLImageElement;
		return [image.naturalWidth, image.naturalHeight];
	}
	if (own(element).localName === 'video') {
		const film = element as HTMLVideoElement;
		return [film.videoWidth, film.videoHeight];
	}
	return [0, 0];
}

const px = (value: string): number => Number.parseFloat(value) || 0;

/** Border plus padding at the top, right, bottom and left, CSS px. */
const edgesOf = (style: CSSStyleDeclaration): number[] => [
	px(style.borderTopWidth) + px(style.paddingTop),
	px(style.borderRightWidth) + px(style.paddingRight),
	px(style.borderBottomWidth) + px(style.paddingBottom),
	px(style.borderLeftWidth) + px(style.paddingLeft)
];

function rectsOf(text: Node, range: Range): Pick<DOMRect, 'left' | 'top' | 'width' | 'height'>[] {
	range.selectNodeContents(text);
	return [...range.getClientRects()];
}

/**
 * The lines of a text from its first word to its last: preserved spaces at their ends hang, and overflow nothing (CSS
 * Text 4 §4.1.3).
 */
function wordRects(text: Text, range: Range): ReturnType<typeof rectsOf> {
	const lines: { left: number; top: number; width: number; height: number }[] = [];
	for (const { index, 0: word } of text.data.matchAll(/\S+/g)) {
		range.setStart(text, index);
		range.setEnd(text, index + word.length);
		for (const { left, top, right, height } of range.getClientRects()) {
			const line = lines.at(-1);
			if (line && line.top === top && line.height === height) {
				const end = Math.max(line.left + line.width, right);
				line.left = Math.min(line.left, left);
				line.width = end - line.left;
			} else lines.push({ left, top, width: right - left, height });
		}
	}
	return lines;
}

/** The lines of text of a document: the index of each one's element, and its box. */
function linesOf(
	document: Document,
	indexOf: ReadonlyMap<Element, number>,
	hanging: ReadonlySet<number>,
	{ scrollX, scrollY }: Window
): Pick<Snapshot, 'lineOf' | 'lines' | 'lineWords'> {
	const of: number[] = [];
	const boxes: number[] = [];
	const words: number[] = [];
	const texts = own(document).createTreeWalker(own(document).documentElement, NodeFilter.SHOW_TEXT);
	const range = own(document).createRange();
	for (let text = texts.nextNode(); text; text = texts.nextNode()) {
		const element = text.parentElement;
		const index = element && indexOf.get(element);
		if (index === null || index === undefined || text.nodeValue?.trim() === '') continue;
		const rows = (hanging.has(index) ? wordRects(text as Text, range) : rectsOf(text, range)).filter(
			({ width, height }) => width > 0 && height > 0
		);
		const count = text.nodeValue?.trim().split(/\s+/).length ?? 0;
		for (const { left, top, width, height } of rows) {
			of.push(index);
			boxes.push(left + scrollX, top + scrollY, width, height);
			words.push(count / rows.length);
		}
	}
	return {
		lineOf: Int32Array.from(of),
		lines: Float64Array.from(boxes),
		lineWords: Float32Array.from(words)
	};
}

/**
 * Reads a laid-out document in one pass, without changing it. The document must have a window. What no kind of
 * finding needs (pseudo-elements, type, order, focus, content boxes except the root's, edges of elements without
 * text) is included only where everything is requested: it costs twice as much.
 */
export function readSnapshot(document: Document, all = true): Snapshot {
	const window = own(document).defaultView;
	if (!window) throw new Error('A document without a window has no layout.');
	const elements = [...own(document).querySelectorAll('*')];
	const count = elements.length;
	const indexOf = new Map<Element, number>();
	const root = own(document).scrollingElement ?? own(document).documentElement;
	const { scrollX, scrollY } = window;
	const snapshot = {
		width: window.innerWidth,
		height: window.innerHeight,
		pageWidth: own(root).scrollWidth,
		pageHeight: own(root).scrollHeight,
		// The direction of the body is propagated to the window (CSS Writing Modes 4 §8).
		rightToLeft:
			window.getComputedStyle(own(document).body ?? own(document).documentElement).direction === 'rtl',
		count,
		tags: elements.map((element) => own(element).localName),
		parent: new Int32Array(count),
		boxes: new Float64Array(4 * count),
		insides: new Float32Array(4 * count),
		flags: new Uint32Array(count),
		clip: new Int32Array(count),
		fontSize: new Float32Array(count),
		lineHeight: new Float32Array(count),
		order: new Int32Array(count),
		z: new Int32Array(count),
		natural: new Float32Array(2 * count),
		edges: new Float32Array(4 * count)
	};
	const displays: string[] = [];
	/**
	 * The nearest element, itself or an ancestor, that is the containing block of absolutely positioned descendants.
	 */
	const placing = new Int32Array(count);
	/** Texts whose spaces at line ends are preserved, and hang. */
	const hanging = new Set<number>();
	/** Which elements are translucent, by themselves or because of an ancestor. */
	const faded = new Set<number>();
	const stacking = stackingSaid(document);
	const holds = stacking.some(([property]) => HOLDING.has(property));
	elements.forEach((element, i) => {
		indexOf.set(element, i);
		const container = own(element).parentElement;
		const parent = container ? (indexOf.get(container) ?? -1) : -1;
		const style = window.getComputedStyle(element);
		const box = own(element).getBoundingClientRect();
		displays.push(style.display);
		snapshot.parent[i] = parent;
		snapshot.boxes.set([box.left + scrollX, box.top + scrollY, box.width, box.height], 4 * i);
		const opacity = Number(style.opacity);
		if (faded.has(parent) || opacity < 1) faded.add(i);
		const flags = flagsOf(element, style, {
			hasRoom: box.width > 0 && box.height > 0,
			display: displays[parent] ?? '',
			opacity,
			faded: faded.has(i),
			stacking
		});
		snapshot.flags[i] = flags;
		if (style.whiteSpace === 'pre-wrap') hanging.add(i);
		const places = (flags & FLAG.positioned) !== 0 || (holds && holdsAll(style));
		placing[i] = places ? i : parent < 0 ? -1 : (placing[parent] ?? -1);
		// Absolutely positioned elements are not clipped by what is between them and their containing block.
		const around = (flags & FLAG.absolute) !== 0 && parent >= 0 ? (placing[parent] ?? -1) : parent;
		const clips = around >= 0 && ((snapshot.flags[around] ?? 0) & FLAG.clips) !== 0;
		snapshot.clip[i] = around < 0 ? -1 : clips ? around : (snapshot.clip[around] ?? -1);
		if ((flags & (FLAG.positioned | FLAG.item)) !== 0) snapshot.z[i] = Number.parseInt(style.zIndex, 10) || 0;
		if ((flags & FLAG.replaced) !== 0) snapshot.natural.set(naturalSize(element), 2 * i);
		if (all || i === 0)
			snapshot.insides.set(
				[
					own(element).scrollWidth,
					own(element).scrollHeight,
					own(element).clientWidth,
					own(element).clientHeight
				],
				4 * i
			);
		if (!all) return;
		snapshot.edges.set(edgesOf(style), 4 * i);
		snapshot.flags[i] =
			flags | pseudosOf(element, window) | (own(element).matches(FOCUSABLE) ? FLAG.focusable : 0);
		snapshot.fontSize[i] = parseFloat(style.fontSize);
		snapshot.lineHeight[i] = parseFloat(style.lineHeight);
		if ((flags & FLAG.item) !== 0) snapshot.order[i] = Number(style.order);
	});
	const lines = linesOf(document, indexOf, hanging, window);
	if (!all) {
		for (const block of new Set([...lines.lineOf].map((of) => blockOf(snapshot, of)))) {
			const element = elements[block];
			if (element) snapshot.edges.set(edgesOf(window.getComputedStyle(element)), 4 * block);
		}
	}
	return { ...snapshot, ...lines };
}

/** The buffers of a snapshot, to be transferred rather than copied. */
export const buffersOf = (snapshot: Snapshot): ArrayBuffer[] =>
	[
		snapshot.parent,
		snapshot.boxes,
		snapshot.insides,
		snapshot.flags,
		snapshot.clip,
		snapshot.fontSize,
		snapshot.lineHeight,
		snapshot.order,
		snapshot.z,
		snapshot.natural,
		snapshot.edges,
		snapshot.lineOf,
		snapshot.lines,
		snapshot.lineWords
	].map((column) => column.buffer as ArrayBuffer);
