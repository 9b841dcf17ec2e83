import { own } from '../../probe/own.ts';
import { elementByPath } from '../../probe/path.ts';
import { forwardKeys } from './forwardKeys.ts';
import { doctypeOf, inertPage } from './inertPage.ts';
import { hushLinks } from './links.ts';
import { pictureChoice } from './pictures.ts';
import { stage } from './staged.ts';
import type { FrameKey, PageContent, Placement, Viewport } from '../protocol.ts';
import type { StyleText } from '../../core/page/index.ts';

export interface PageFrame {
	readonly box: HTMLElement;
	/** The part of the box that contains the page. */
	readonly page: HTMLElement;
	readonly document: () => Document;
	readonly window: () => Window;
	/** Whether it is touched rather than pointed at, so that a tap keeps the hover state. */
	readonly taps: boolean;
	write(content: PageContent): void;
	/** Temporary rules above all others; empty for none. */
	overlay(rules: string): void;
	restyle(sheets: readonly StyleText[]): void;
	/**
	 * Lays the page out from scratch, as if opened at the present size: what engines keep of earlier layout can lead to
	 * different results.
	 */
	layOutAnew(): void;
	/**
	 * Sets the viewport, drawn at `scale` px of the stage per px of the page. With a `fineness` the frame is zoomed
	 * further for widths between pixels; resolution queries then see the zoom.
	 */
	size(viewport: Viewport, scale: number, fineness?: number): void;
	/** Puts it, or its visible part, in its place on the stage. */
	place(placement: Placement): void;
	/** Its last place. */
	readonly placement: Placement;
	/** Its visible part, px of the stage. */
	seen(): DOMRect;
	remove(): void;
}

/** What a page must not do by itself: follow links, send forms, drag out and drop in. */
const PREVENTED = ['click', 'auxclick', 'submit', 'dragstart', 'drop', 'dragover', 'mousedown'] as const;

/** Rules for every page frame: hide what a visitor with scripting does not see. */
const ADOPTED = `noscript { display: none !important; }
video:not([controls])::-webkit-media-controls { display: none !important; }`;
/** Beats a page's own rules about its root, except important ones in a layer. */
const BOXLESS = ':root:root:root:root { display: none !important; }';
const SHARP = ':root { text-rendering: geometricPrecision; }';

/** The zoom at which a width between pixels is exact: a frame's width is whole device pixels. */
export function fineness(width: number, density: number): number {
	for (const factor of [1, 2, 4, 8]) if (Number.isInteger(width * density * factor)) return factor;
	return 16;
}

/** What a frame reports to its host. */
export interface FrameHooks {
	key?(key: FrameKey): void;
	scrolled?(frame: PageFrame): void;
	/** The pointer is over something of the page. */
	pointed?(frame: PageFrame, event: MouseEvent): void;
	/** Whether an event that is normally prevented is the page's own at present. */
	allows?(event: Event): boolean;
	/** Something of the page was clicked on. */
	clicked?(frame: PageFrame, event: MouseEvent): void;
	/** A place of the page was clicked on twice. */
	clickedTwice?(frame: PageFrame, event: MouseEvent): void;
	/** A page was written. */
	written?(frame: PageFrame): void;
	/** Something removed the page from its frame; it was rewritten. */
	lost?(frame: PageFrame): void;
}

/** How often a page that is removed from its frame is rewritten. */
const MOST_LOSSES = 5;

function emptyFrame(): HTMLIFrameElement {
	const frame = document.createElement('iframe');
	frame.setAttribute('sandbox', 'allow-same-origin');
	frame.setAttribute('aria-hidden', 'true');
	frame.tabIndex = -1;
	frame.style.cssText = 'border:0;display:block;background:#fff';
	return frame;
}

/** A page in an inner frame: no scripts, no navigation; `rules` apply to every page. */
export function pageFrame(parent: HTMLElement, hooks: FrameHooks, rules = ''): PageFrame {
	/** What of the box is drawn. */
	const opening = document.createElement('div');
	const box = document.createElement('div');
	const scaler = document.createElement('div');
	let frame = emptyFrame();
	opening.style.cssText = 'position:absolute;overflow:hidden';
	box.style.cssText = 'position:absolute;overflow:hidden;background:#fff';
	scaler.style.cssText = 'transform-origin:0 0';
	scaler.append(frame);
	box.append(scaler);
	opening.append(box);
	parent.append(opening);

	const choosePictures = pictureChoice();
	/** The viewport for which the page's pictures were chosen. */
	let chosenFor = '';
	let density = 1;
	/** The rules of the present page; null before the first. */
	let pageRules: string | null = null;
	let over = '';
	let taps = false;
	/** The present page, its document, and its shadow trees. */
	let last: PageContent | undefined;
	let written: Document | undefined;
	let shadows: readonly ShadowRoot[] = [];
	let losses = 0;
	let placement: Placement;

	const inner = (): Document => {
		if (isLost()) renew();
		if (!frame.contentDocument) throw new Error('The frame has no document.');
		return frame.contentDocument;
	};

	/** Whether the frame's document is not the one that was written. */
	const isLost = (): boolean => written !== undefined && frame.contentDocument !== written;

	/** Makes the frame again, with its page, where something has removed that. */
	function renew(): void {
		written = undefined;
		const next = emptyFrame();
		next.style.cssText = frame.style.cssText;
		frame.replaceWith(next);
		frame = next;
		watch();
		if (!last || ++losses > MOST_LOSSES) return;
		self.write(last);
		hooks.lost?.(self);
	}

	function watch(): void {
		const watched = frame;
		watched.addEventListener('load', () => {
			if (watched === frame && isLost()) renew();
		});
	}

	function sheetOf(text: string): CSSStyleSheet[] {
		const Sheet = (frame.contentWindow as (Window & typeof globalThis) | null)?.CSSStyleSheet;
		if (!Sheet) return [];
		const sheet = new Sheet();
		sheet.replaceSync(text);
		return [sheet];
	}

	function adopt(): void {
		const document = inner();
		if (pageRules === null) return;
		const text = ADOPTED + pageRules + rules + (density >= 1.5 ? SHARP : '') + over;
		own(document).adoptedStyleSheets = sheetOf(text);
	}

	function fill(sheets: readonly StyleText[]): void {
		const document = inner();
		for (const { element, text } of sheets) {
			const style = elementByPath(document, element);
			if (style && own(style).localName === 'style') style.textContent = text;
		}
	}

	/** Without scripts a frame starts no film by itself. */
	function show(films: PageContent['films']): void {
		for (const film of own(inner()).querySelectorAll<HTMLVideoElement>('video')) {
			if (films === 'none') {
				for (const source of film.querySelectorAll('source')) source.removeAttribute('src');
				film.removeAttribute('src');
				film.removeAttribute('poster');
				film.load();
			} else if (films === 'play' && film.autoplay && film.defaultMuted) {
				film.muted = true;
				film.play().catch(() => undefined);
			} else {
				film.pause();
			}
		}
	}

	function listen(): void {
		const document = inner();
		const prevent = (event: Event): void => {
			if (!hooks.allows?.(event)) event.preventDefault();
		};
		// Submitting a form in a shadow tree fires no event outside of it.
		for (const tree of [own(document), ...shadows]) {
			for (const type of PREVENTED) tree.addEventListener(type, prevent, { capture: true, passive: false });
		}
		own(document).addEventListener('mousedown', () => frame.contentWindow?.focus(), true);
		own(document).addEventListener('click', (event) => hooks.clicked?.(self, event), true);
		own(document).addEventListener('dblclick', (event) => hooks.clickedTwice?.(self, event), true);
		own(document).addEventListener('mousemove', (event) => hooks.pointed?.(self, event), { passive: true });
		own(document).addEventListener('scroll', () => hooks.scrolled?.(self), { passive: true });
		hushLinks(document);
		forwardKeys(document, (key) => hooks.key?.(key));
	}

	const self: PageFrame = {
		box,
		page: scaler,
		document: inner,
		window: () => {
			if (!frame.contentWindow) throw new Error('The frame has no window.');
			return frame.contentWindow;
		},
		write(content) {
			const window = frame.contentWindow;
			const [x, y] = [window?.scrollX ?? 0, window?.scrollY ?? 0];
			// An opened document takes the address of the document that opens it.
			history.replaceState(null, '', content.address);
			const document = inner();
			const page = inertPage(content.html);
			own(document).open();
			own(document).write(`${doctypeOf(page.document)}<html>`);
			// Before the page is moved into the frame, so that no other picture is requested.
			shadows = page.shadows;
			choosePictures([page.document, ...shadows], self.window(), density);
			own(document).documentElement.replaceWith(own(document).adoptNode(own(page.document).documentElement));
			own(document).close();
			if (last !== content) losses = 0;
			last = content;
			written = document;
			pageRules = content.rules;
			taps = content.taps;
			fill(content.sheets);
			stage(document, content.staged);
			adopt();
			listen();
			show(content.films);
			hooks.written?.(self);
			if (content.rightToLeft) own(own(document).documentElement).dir = 'rtl';
			// Only where necessary: it forces layout.
			if (x > 0 || y > 0) frame.contentWindow?.scrollTo({ left: x, top: y, behavior: 'instant' });
		},
		get taps() {
			return taps;
		},
		overlay(rules) {
			over = rules;
			adopt();
		},
		restyle: fill,
		layOutAnew() {
			const document = inner();
			const sheets = [...own(document).adoptedStyleSheets];
			own(document).adoptedStyleSheets = [...sheets, ...sheetOf(BOXLESS)];
			// Reading a size forces layout.
			void own(document).documentElement.clientWidth;
			own(document).adoptedStyleSheets = sheets;
		},
		size(viewport, scale, fineness = 1) {
			const { width, height } = viewport;
			const zoom = (viewport.density * fineness) / devicePixelRatio;
			for (const one of [opening, box]) {
				one.style.width = `${width * scale}px`;
				one.style.height = `${height * scale}px`;
			}
			scaler.style.width = `${width * zoom}px`;
			scaler.style.transform = `scale(${scale / zoom})`;
			frame.style.zoom = String(zoom);
			frame.style.width = `${width}px`;
			frame.style.height = `${height}px`;
			if (density !== viewport.density) {
				density = viewport.density;
				adopt();
			}
			const seen = `${width} ${height} ${density}`;
			if (written && chosenFor !== seen) choosePictures([inner(), ...shadows], self.window(), density);
			chosenFor = seen;
		},
		get placement() {
			return placement;
		},
		place(at) {
			placement = at;
			const { left, top, scale, viewport, part = { left: 0, top: 0, ...viewport } } = at;
			opening.style.left = `${left}px`;
			opening.style.top = `${top}px`;
			opening.style.width = `${part.width * scale}px`;
			opening.style.height = `${part.height * scale}px`;
			box.style.left = `${-part.left * scale}px`;
			box.style.top = `${-part.top * scale}px`;
		},
		seen: () => opening.getBoundingClientRect(),
		remove: () => opening.remove()
	};
	watch();
	return self;
}
