import type { StyleText } from '../../core/page/index.ts';
import { isElement, own } from '../../probe/own.ts';
import { expose } from 'comlink';
import {
	ASK_READY,
	READY,
	type FrameKey,
	type PageContent,
	type Painted,
	type Placement,
	type StageHost,
	type StageListener
} from '../protocol.ts';
import { computedValues } from '../../probe/box.ts';
import { bringIntoSight } from '../../probe/sight.ts';
import { answersUp, movingOn, selectorIndex, type SelectorIndex } from '../../probe/cascade.ts';
import { containingBlock } from '../../probe/containing.ts';
import { findFacts } from '../../probe/facts.ts';
import { found, hits, matching } from '../../probe/match.ts';
import { elementByPath, pathOf } from '../../probe/path.ts';
import { spacesAround } from '../../probe/space.ts';
import { wordAt } from '../../probe/word.ts';
import { allUnseen } from '../../probe/unseen.ts';
import { clicksAgain } from './clicksAgain.ts';
import { forwardKeys } from './forwardKeys.ts';
import { measure, read } from './measure.ts';
import { inStep } from './inStep.ts';
import { keylines } from './keylines.ts';
import { originals } from './original.ts';
import { fineness, pageFrame, type FrameHooks, type PageFrame } from './pageFrame.ts';
import { pointing } from './points.ts';
import { listenForPans, panTo } from './panning.ts';
import { pinning } from './pins.ts';
import { otherPages } from './reach.ts';
import { selection } from './selection.ts';
import { using } from './use.ts';

/** A stage: page frames laid out and filled as the application requests. */

const frames = new Map<string, PageFrame>();
const step = inStep(() => frames.values());
let listener: StageListener | undefined;
const table = keylines(() => frames.values());
const selected = selection(
	() => frames,
	(boxes) => listener?.boxes(boxes)
);
const pictures = originals(() => frames);
const points = pointing(
	() => frames,
	(point) => listener?.point(point)
);
let asking: { index: SelectorIndex; containers: readonly string[] } = {
	index: selectorIndex([]),
	containers: []
};
const others = otherPages();
const pins = pinning(() => frames);
let inUse = false;
const use = using(
	() => frames.values(),
	() => inUse,
	(href) => listener?.open(href)
);

/** Keys of a page in use belong to the page, except Escape and those with Ctrl or Cmd. */
function tellKey(key: FrameKey): void {
	if (!inUse || key.key === 'Escape' || key.ctrl || key.meta) listener?.key(key);
}

const isAgain = clicksAgain();

const hooks: FrameHooks = {
	key: tellKey,
	scrolled(frame) {
		step.scrolled(frame);
		pictures.changed();
		points.changed();
	},
	pointed: (frame, event) => table.over(frame, event),
	allows: (event) => use.allows(event),
	lost: () => listener?.lost(),
	written(frame) {
		use.listen(frame);
		listenForPans(frame, (by) => listener?.pan(frame.placement.frame, by));
		pins.written(frame);
		selected.written(frame);
	},
	clicked(frame, event) {
		if (points.take(frame, event)) return;
		const { target } = event;
		if (inUse || !isElement(target)) return;
		const { clientX: x, clientY: y, timeStamp } = event;
		const again = isAgain({ frame: frame.placement.frame, x, y, at: timeStamp });
		listener?.pick({
			path: pathOf(target),
			shift: event.shiftKey,
			add: event.ctrlKey || event.metaKey,
			again
		});
	},
	clickedTwice(frame, event) {
		const found = inUse ? null : wordAt(frame.document(), event.clientX, event.clientY);
		if (!found) return;
		const { element, word } = found;
		listener?.pick({ path: pathOf(element), shift: event.shiftKey, add: false, again: false, word });
	}
};

// The stage around the frames may have the focus too.
forwardKeys(document, tellKey);

/** Resolves once the changes are on the screen: a message sent while a frame is made arrives after it. */
const painted = (): Promise<Painted> =>
	new Promise((resolve) =>
		requestAnimationFrame(() => {
			const { port1, port2 } = new MessageChannel();
			port1.onmessage = () => resolve(performance.timeOrigin + performance.now());
			port2.postMessage(null);
		})
	);

/** The present frames: a view that has just been left may still ask about its own. */
const framesOf = (ids: readonly string[]): PageFrame[] => ids.flatMap((id) => frames.get(id) ?? []);

/** An empty page: that of a frame that has gone. */
const NO_PAGE = new Document();
const documentOf = (id: string): Document => frames.get(id)?.document() ?? NO_PAGE;

/** An element of a frame; null where the page has none there, or the frame has gone. */
const elementIn = (id: string, path: readonly number[]): Element | null =>
	elementByPath(documentOf(id), path);

/** At most so many elements are stepped through. */
const MOST_FOUND = 5000;

const host: StageHost = {
	listen(next: StageListener) {
		listener = next;
	},
	arrange(placements: readonly Placement[]) {
		const wanted = new Set(placements.map(({ frame }) => frame));
		for (const [id, frame] of frames) {
			if (wanted.has(id)) continue;
			selected.forget(frame);
			pictures.forget(frame);
			frame.remove();
			frames.delete(id);
		}
		for (const placement of placements) {
			let frame = frames.get(placement.frame);
			if (!frame) frames.set(placement.frame, (frame = pageFrame(document.body, hooks)));
			const { viewport, scale } = placement;
			frame.size(viewport, scale, fineness(viewport.width, viewport.density));
			frame.place(placement);
		}
		selected.changed();
		pictures.changed();
		points.changed();
		return painted();
	},
	write(ids: readonly string[], content: PageContent) {
		for (const frame of framesOf(ids)) frame.write(content);
		return painted();
	},
	restyle(ids: readonly string[], sheets: readonly StyleText[]) {
		const restyled = framesOf(ids);
		for (const frame of restyled) frame.restyle(sheets);
		selected.changed();
		// Starts layout now, rather than with the screen's next update.
		for (const frame of restyled) void own(own(frame.document()).documentElement).offsetHeight;
		return painted();
	},
	use(on: boolean) {
		inUse = on;
		if (!on) use.end();
	},
	keylines(on: boolean) {
		table.switch(on);
	},
	outline(selector) {
		table.outline(selector);
	},
	keepInStep(on: boolean) {
		step.switch(on);
	},
	select: selected.select,
	originals: pictures.show,
	points: points.set,
	pin(next) {
		pins.pin(next);
		selected.changed();
	},
	reveal(frame, path) {
		// It may have gone meanwhile.
		const of = frames.get(frame);
		const element = of && elementByPath(of.document(), path);
		if (!element) return;
		bringIntoSight(element, of.window());
		const { top, height } = own(element).getBoundingClientRect();
		const by = panTo(of, top, height);
		if (by !== 0) listener?.pan(frame, by);
	},
	found: (frame, selector) => found(documentOf(frame), selector, MOST_FOUND).map(pathOf),
	unseen: (frame) => allUnseen(documentOf(frame)),
	know: others.know,
	reach: others.reach,
	hits: (frame, selectors) => hits(documentOf(frame), selectors),
	matching: (frame, path, selectors) => matching(elementIn(frame, path), selectors),
	ask(selectors, containers) {
		asking = { index: selectorIndex(selectors), containers };
	},
	cascade: (frame, path, pseudo) =>
		answersUp(elementIn(frame, path), asking.index, asking.containers, pseudo),
	containing(frame, path) {
		const element = elementIn(frame, path);
		return (element && containingBlock(element)) ?? null;
	},
	spaces(frame, path) {
		const element = elementIn(frame, path);
		return element ? spacesAround(element) : [];
	},
	moving(frame, path) {
		const element = elementIn(frame, path);
		return element ? movingOn(element) : [];
	},
	facts: (frame, sought, most, longhands) =>
		findFacts(documentOf(frame), sought, most, asking.index, asking.containers, longhands),
	computed: (frame, paths) =>
		paths.map((path) => {
			const element = elementIn(frame, path);
			return element ? computedValues(element) : new Map<string, string>();
		}),
	measure: (content, viewport, widths, report) => measure(content, viewport, widths, report, asking),
	read
};

document.documentElement.style.cssText = 'height:100%;background:transparent';
document.body.style.cssText = 'margin:0;height:100%;overflow:hidden;background:transparent';

const sayReady = (): void => parent.postMessage(READY, '*');
addEventListener('message', function connect(event) {
	const port = event.ports[0];
	if (event.source !== parent) return;
	if (event.data === ASK_READY) return sayReady();
	if (!port) return;
	removeEventListener('message', connect);
	expose(host, port);
	port.start();
});
sayReady();
