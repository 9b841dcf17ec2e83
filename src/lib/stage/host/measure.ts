import { own } from '../../probe/own.ts';
import { transfer } from 'comlink';
import { computedValues } from '../../probe/box.ts';
import { heldUp, type SelectorIndex } from '../../probe/cascade.ts';
import { findFacts } from '../../probe/facts.ts';
import { elementByPath } from '../../probe/path.ts';
import { buffersOf, readSnapshot } from '../../probe/snapshot.ts';
import { readingsOf } from '../../core/findings/index.ts';
import type { Measured, PageContent, Read, Viewport } from '../protocol.ts';
import type { StyleText } from '../../core/page/index.ts';
import { followedIn } from '../../probe/followed.ts';
import { valuesOf } from '../../probe/values.ts';
import { fineness, pageFrame, type PageFrame } from './pageFrame.ts';

/** What would falsify a measurement: motion, and content that is only rendered when in sight. */
const STILL = `*, ::before, ::after {
	animation: none !important;
	transition: none !important;
	content-visibility: visible !important;
	scroll-behavior: auto !important;
}`;

const PATIENCE = 5000;

/** Waits until the page's pictures and fonts have loaded or failed, 5 s at most. */
async function loaded(document: Document): Promise<void> {
	for (const image of own(document).images) image.loading = 'eager';
	const window = own(document).defaultView;
	const whole =
		own(document).readyState === 'complete'
			? Promise.resolve()
			: new Promise<void>((resolve) => window?.addEventListener('load', () => resolve(), { once: true }));
	const pictures = [...own(document).images].map((image) =>
		image.complete
			? Promise.resolve()
			: new Promise<void>((resolve) => {
					image.addEventListener('load', () => resolve(), { once: true });
					image.addEventListener('error', () => resolve(), { once: true });
				})
	);
	const all = Promise.all([whole, own(document).fonts.ready, ...pictures]);
	await Promise.race([all, new Promise((resolve) => setTimeout(resolve, PATIENCE))]);
}

/**
 * Makes the browser choose pictures among their sources for the present width, and waits for them: in an invisible
 * frame the engine does not do so by itself.
 */
async function chosenAnew(document: Document): Promise<void> {
	const sources = own(document).querySelectorAll<HTMLSourceElement | HTMLImageElement>(
		'picture > source[srcset], img[srcset]'
	);
	if (sources.length === 0) return;
	// Setting the same value already triggers a choice (HTML §4.8.4.3.11, relevant mutations).
	for (const source of sources) source.setAttribute('srcset', source.getAttribute('srcset') ?? '');
	await Promise.resolve();
	if ([...own(document).images].some(({ complete }) => !complete)) await loaded(document);
}

/** The selectors and conditions to evaluate. */
interface Asking {
	readonly index: SelectorIndex;
	readonly containers: readonly string[];
}

/** The answer to a question about an element of a laid-out document. */
function answersTo(document: Document, content: PageContent, asking: Asking): Partial<Measured> {
	const { elementQuery: query } = content;
	if (!query) return {};
	const element = elementByPath(document, query.path);
	const held = heldUp(element, query.conditions);
	const { longhands } = query;
	if (!longhands || !element) return { held };
	const facts = findFacts(document, [query.path], 1, asking.index, asking.containers, longhands);
	return { held, facts, computed: computedValues(element) };
}

/** The sheets that differ between two otherwise equal pages; undefined where more differs. */
function changedSheets(before: PageContent, after: PageContent): StyleText[] | undefined {
	const besides = (page: PageContent): string =>
		JSON.stringify({
			...page,
			sheets: page.sheets.map(({ element }) => element),
			elementQuery: 0,
			values: 0,
			followed: 0
		});
	if (besides(before) !== besides(after)) return undefined;
	return after.sheets.filter(({ text }, i) => before.sheets[i]?.text !== text);
}

const { port1: turn, port2: next } = new MessageChannel();

/** Yields to other messages of the stage, without the minimum delay of a timer. */
const nextTurn = (): Promise<void> =>
	new Promise((resolve) => {
		turn.addEventListener('message', () => resolve(), { once: true });
		turn.start();
		next.postMessage(0);
	});

let frame: PageFrame | undefined;
let last: PageContent | undefined;

/** Lays a page out at each width in an invisible frame. */
async function layOut(
	content: PageContent,
	viewport: Viewport,
	widths: readonly number[],
	look: (width: number, document: Document) => void
): Promise<void> {
	if (!frame) {
		const room = document.createElement('div');
		room.style.cssText = 'position:absolute;inset:0;visibility:hidden;overflow:hidden';
		document.body.append(room);
		frame = pageFrame(room, {}, STILL);
	}
	const of = frame;
	of.size(viewport, 1);
	const changed = last && changedSheets(last, content);
	last = content;
	if (!changed) of.write(content);
	else if (changed.length > 0) of.restyle(changed);
	if (changed?.length !== 0) await loaded(of.document());
	for (const width of widths) {
		of.size({ ...viewport, width }, 1, fineness(width, viewport.density));
		await chosenAnew(of.document());
		of.layOutAnew();
		look(width, of.document());
		await nextTurn();
	}
}

/** Lays a page out at each width, and reports a snapshot of each. */
export const measure = (
	content: PageContent,
	viewport: Viewport,
	widths: readonly number[],
	report: (measured: Measured) => void,
	asking: Asking
): Promise<void> =>
	layOut(content, viewport, widths, (width, document) => {
		const snapshot = readSnapshot(document);
		const answers = answersTo(document, content, asking);
		const { longhands = [], selectors = [] } = content.values ?? {};
		const values = content.values ? { values: valuesOf(document, longhands, selectors) } : {};
		report(transfer({ width, snapshot, ...answers, ...values }, buffersOf(snapshot)));
	});

/**
 * Lays a page out at each width, and reports what the kinds of findings read in it, or the values of what is
 * followed.
 */
export const read = (
	content: PageContent,
	viewport: Viewport,
	widths: readonly number[],
	report: (read: Read) => void
): Promise<void> =>
	layOut(content, viewport, widths, (width, document) =>
		report({
			width,
			readings: content.followed
				? followedIn(document, content.followed)
				: readingsOf(readSnapshot(document, false))
		})
	);
