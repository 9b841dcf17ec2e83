import { transfer } from 'comlink';
import { computedValues } from '../../probe/box.ts';
import { heldUp, type SelectorIndex } from '../../probe/cascade.ts';
import { findFacts } from '../../probe/facts.ts';
import { elementByPath } from '../../probe/path.ts';
import { buffersOf, readSnapshot } from '../../probe/snapshot.ts';
import type { Measured, PageContent, Viewport } from '../protocol.ts';
import { pageFrame, type PageFrame } from './pageFrame.ts';

/** What would falsify a measurement: movement, and content that waits to be seen. */
const STILL = `*, ::before, ::after {
	animation: none !important;
	transition: none !important;
	content-visibility: visible !important;
	scroll-behavior: auto !important;
}`;

const PATIENCE = 5000;

/** Waits until the page's pictures and fonts have come or failed, 5 s at most. */
async function loaded(document: Document): Promise<void> {
	for (const image of document.images) image.loading = 'eager';
	const window = document.defaultView;
	const whole =
		document.readyState === 'complete'
			? Promise.resolve()
			: new Promise<void>((resolve) => window?.addEventListener('load', () => resolve(), { once: true }));
	const pictures = [...document.images].map((image) =>
		image.complete
			? Promise.resolve()
			: new Promise<void>((resolve) => {
					image.addEventListener('load', () => resolve(), { once: true });
					image.addEventListener('error', () => resolve(), { once: true });
				})
	);
	const all = Promise.all([whole, document.fonts.ready, ...pictures]);
	await Promise.race([all, new Promise((resolve) => setTimeout(resolve, PATIENCE))]);
}

/** The zoom at which a width between pixels can be had exactly: a frame's width is whole device pixels. */
function fineness(width: number, density: number): number {
	for (const factor of [1, 2, 4, 8]) if (Number.isInteger(width * density * factor)) return factor;
	return 16;
}

/** What selectors and conditions are asked about. */
interface Asking {
	readonly index: SelectorIndex;
	readonly containers: readonly string[];
}

/** What is asked about an element of a document that is laid out. */
function answersTo(document: Document, content: PageContent, asking: Asking): Partial<Measured> {
	const { asked } = content;
	if (!asked) return {};
	const element = elementByPath(document, asked.path);
	const held = heldUp(element, asked.conditions);
	const { longhands } = asked;
	if (!longhands || !element) return { held };
	const facts = findFacts(document, [asked.path], 1, asking.index, asking.containers, longhands);
	return { held, facts, computed: computedValues(element) };
}

let frame: PageFrame | undefined;
let last: PageContent | undefined;

/** Lays a page out at each width in a frame that nobody sees, and reports a snapshot of each. */
export async function measure(
	content: PageContent,
	viewport: Viewport,
	widths: readonly number[],
	report: (measured: Measured) => void,
	asking: Asking
): Promise<void> {
	if (!frame) {
		const room = document.createElement('div');
		room.style.cssText = 'position:absolute;inset:0;visibility:hidden;overflow:hidden';
		document.body.append(room);
		frame = pageFrame(room, {}, STILL);
	}
	const of = frame;
	of.size(viewport, 1);
	if (JSON.stringify(last) !== JSON.stringify(content)) {
		last = content;
		of.write(content);
		await loaded(of.document());
	}
	for (const width of widths) {
		of.size({ ...viewport, width }, 1, fineness(width, viewport.density));
		const snapshot = readSnapshot(of.document());
		const answers = answersTo(of.document(), content, asking);
		report(transfer({ width, snapshot, ...answers }, buffersOf(snapshot)));
		await new Promise((resolve) => setTimeout(resolve));
	}
}
