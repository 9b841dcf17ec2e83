import { FLAG, type Snapshot } from '../core/snapshot/index.ts';

export type { Snapshot };

const FOCUSABLE =
	'a[href],area[href],button:not([disabled]),input:not([disabled]):not([type=hidden]),select:not([disabled]),textarea:not([disabled]),summary,[tabindex],[contenteditable]:not([contenteditable=false]),audio[controls],video[controls]';
const REPLACED = new Set(['img', 'video', 'canvas', 'iframe', 'embed', 'object', 'svg', 'audio']);

function flagsOf(
	element: Element,
	style: CSSStyleDeclaration,
	parentDisplay: string,
	window: Window
): number {
	let flags = 0;
	const { position, display } = style;
	if (style.visibility === 'visible' && element.getClientRects().length > 0) flags |= FLAG.shown;
	if (position === 'fixed') flags |= FLAG.fixed;
	if (position === 'sticky') flags |= FLAG.sticky;
	if (position !== 'static') flags |= FLAG.positioned;
	if (style.overflowX !== 'visible' || style.overflowY !== 'visible') flags |= FLAG.clips;
	if (/^(auto|scroll)$/.test(style.overflowX)) flags |= FLAG.scrollsX;
	if (/^(auto|scroll)$/.test(style.overflowY)) flags |= FLAG.scrollsY;
	if (position === 'absolute') flags |= FLAG.absolute;
	if (display === 'inline') flags |= FLAG.inline;
	if (display.endsWith('flex')) flags |= FLAG.flexContainer;
	if (display.endsWith('grid')) flags |= FLAG.gridContainer;
	if (/(flex|grid)$/.test(parentDisplay) && position !== 'absolute' && position !== 'fixed')
		flags |= FLAG.item;
	if (element.matches(FOCUSABLE)) flags |= FLAG.focusable;
	if (REPLACED.has(element.localName)) flags |= FLAG.replaced;
	if (/^(img|video)$/.test(element.localName) && style.objectFit === 'fill') flags |= FLAG.filled;
	if (hasPseudo(window, element, '::before')) flags |= FLAG.before;
	if (hasPseudo(window, element, '::after')) flags |= FLAG.after;
	return flags;
}

const hasPseudo = (window: Window, element: Element, pseudo: string): boolean => {
	const { content } = window.getComputedStyle(element, pseudo);
	return content !== 'none' && content !== 'normal' && content !== '';
};

function naturalSize(element: Element): [number, number] {
	if (element.localName === 'img') {
		const image = element as HTMLImageElement;
		return [image.naturalWidth, image.naturalHeight];
	}
	if (element.localName === 'video') {
		const film = element as HTMLVideoElement;
		return [film.videoWidth, film.videoHeight];
	}
	return [0, 0];
}

const px = (value: string): number => Number.parseFloat(value) || 0;

/** The lines of text of a document: which element each stands in, by its index, and its box. */
function linesOf(
	document: Document,
	indexOf: ReadonlyMap<Element, number>,
	{ scrollX, scrollY }: Window
): { readonly lineOf: Int32Array; readonly lines: Float64Array } {
	const of: number[] = [];
	const boxes: number[] = [];
	const texts = document.createTreeWalker(document.documentElement, NodeFilter.SHOW_TEXT);
	const range = document.createRange();
	for (let text = texts.nextNode(); text; text = texts.nextNode()) {
		const index = text.parentElement && indexOf.get(text.parentElement);
		if (index === null || index === undefined || text.nodeValue?.trim() === '') continue;
		range.selectNodeContents(text);
		for (const { left, top, width, height } of range.getClientRects()) {
			if (width === 0 || height === 0) continue;
			of.push(index);
			boxes.push(left + scrollX, top + scrollY, width, height);
		}
	}
	return { lineOf: Int32Array.from(of), lines: Float64Array.from(boxes) };
}

/** Reads a laid-out document in one pass, without writing to it. The document must have a window. */
export function readSnapshot(document: Document): Snapshot {
	const window = document.defaultView;
	if (!window) throw new Error('A document without a window has no layout.');
	const elements = [...document.querySelectorAll('*')];
	const count = elements.length;
	const indexOf = new Map<Element, number>();
	const root = document.scrollingElement ?? document.documentElement;
	const { scrollX, scrollY } = window;
	const snapshot = {
		width: window.innerWidth,
		height: window.innerHeight,
		pageWidth: root.scrollWidth,
		pageHeight: root.scrollHeight,
		count,
		tags: elements.map((element) => element.localName),
		parent: new Int32Array(count),
		boxes: new Float64Array(4 * count),
		insides: new Float32Array(4 * count),
		flags: new Uint32Array(count),
		clip: new Int32Array(count),
		fontSize: new Float32Array(count),
		lineHeight: new Float32Array(count),
		order: new Int32Array(count),
		natural: new Float32Array(2 * count),
		edges: new Float32Array(4 * count)
	};
	const displays: string[] = [];
	elements.forEach((element, i) => {
		indexOf.set(element, i);
		const parent = element.parentElement ? (indexOf.get(element.parentElement) ?? -1) : -1;
		const style = window.getComputedStyle(element);
		const box = element.getBoundingClientRect();
		displays.push(style.display);
		snapshot.parent[i] = parent;
		snapshot.boxes.set([box.left + scrollX, box.top + scrollY, box.width, box.height], 4 * i);
		snapshot.insides.set(
			[element.scrollWidth, element.scrollHeight, element.clientWidth, element.clientHeight],
			4 * i
		);
		snapshot.flags[i] = flagsOf(element, style, displays[parent] ?? '', window);
		const clips = parent >= 0 && ((snapshot.flags[parent] ?? 0) & FLAG.clips) !== 0;
		snapshot.clip[i] = parent < 0 ? -1 : clips ? parent : (snapshot.clip[parent] ?? -1);
		snapshot.fontSize[i] = parseFloat(style.fontSize);
		snapshot.lineHeight[i] = parseFloat(style.lineHeight);
		snapshot.order[i] = Number(style.order);
		snapshot.natural.set(naturalSize(element), 2 * i);
		snapshot.edges.set(
			[
				px(style.borderTopWidth) + px(style.paddingTop),
				px(style.borderRightWidth) + px(style.paddingRight),
				px(style.borderBottomWidth) + px(style.paddingBottom),
				px(style.borderLeftWidth) + px(style.paddingLeft)
			],
			4 * i
		);
	});
	return { ...snapshot, ...linesOf(document, indexOf, window) };
}

/** The buffers of a snapshot, to be handed over rather than copied. */
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
		snapshot.natural,
		snapshot.edges,
		snapshot.lineOf,
		snapshot.lines
	].map((column) => column.buffer as ArrayBuffer);
