import { expose } from 'comlink';
import {
	READY,
	type PageContent,
	type Painted,
	type Placement,
	type SheetText,
	type StageHost,
	type StageListener
} from '../protocol.ts';
import { forwardKeys } from './forwardKeys.ts';
import { measure } from './measure.ts';
import { inStep } from './inStep.ts';
import { pageFrame, type FrameHooks, type PageFrame } from './pageFrame.ts';

/** A stage: page frames laid out and filled as the application says. */

const frames = new Map<string, PageFrame>();
const step = inStep(() => frames.values());
let listener: StageListener | undefined;
const hooks: FrameHooks = { key: (key) => listener?.key(key), scrolled: (frame) => step.scrolled(frame) };

// The stage around the frames may have the focus too.
forwardKeys(document, (key) => listener?.key(key));

/** Resolves once what was changed is on the screen: a message sent while a frame is made comes after it. */
const painted = (): Promise<Painted> =>
	new Promise((resolve) =>
		requestAnimationFrame(() => {
			const { port1, port2 } = new MessageChannel();
			port1.onmessage = () => resolve(performance.timeOrigin + performance.now());
			port2.postMessage(null);
		})
	);

const frameOf = (id: string): PageFrame => {
	const frame = frames.get(id);
	if (!frame) throw new Error(`There is no frame "${id}".`);
	return frame;
};

const host: StageHost = {
	listen(next: StageListener) {
		listener = next;
	},
	arrange(placements: readonly Placement[]) {
		const wanted = new Set(placements.map(({ frame }) => frame));
		for (const [id, frame] of frames) {
			if (wanted.has(id)) continue;
			frame.remove();
			frames.delete(id);
		}
		for (const { frame: id, left, top, scale, viewport } of placements) {
			let frame = frames.get(id);
			if (!frame) frames.set(id, (frame = pageFrame(document.body, hooks)));
			frame.box.style.left = `${left}px`;
			frame.box.style.top = `${top}px`;
			frame.size(viewport, scale);
		}
		return painted();
	},
	write(ids: readonly string[], content: PageContent) {
		for (const id of ids) frameOf(id).write(content);
		return painted();
	},
	restyle(ids: readonly string[], sheets: readonly SheetText[]) {
		for (const id of ids) frameOf(id).restyle(sheets);
		return painted();
	},
	keepInStep(on: boolean) {
		step.switch(on);
	},
	measure
};

document.documentElement.style.cssText = 'height:100%;background:transparent';
document.body.style.cssText = 'margin:0;height:100%;overflow:hidden;background:transparent';

addEventListener('message', function connect(event) {
	const port = event.ports[0];
	if (event.source !== parent || !port) return;
	removeEventListener('message', connect);
	expose(host, port);
	port.start();
});
parent.postMessage(READY, '*');
