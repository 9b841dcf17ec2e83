import { isElement, own } from '../../probe/own.ts';
import { figure } from '../../core/box/index.ts';
import type { PageFrame } from './pageFrame.ts';

const EDGES = `*, *::before, *::after { outline: 1px solid rgb(31 100 136 / 0.75) !important; outline-offset: -1px !important; }`;

const HIT = 'outline: 2px solid #b0281a !important; outline-offset: -2px !important;';

/** The name of an element: its tag with id and classes. */
const nameOf = (element: Element): string =>
	[
		own(element).localName,
		...(own(element).id ? [`#${own(element).id}`] : []),
		...[...own(element).classList].map((name) => `.${name}`)
	].join('');

/** Shows the edges of all boxes in every frame, and the name of the box under the pointer, while switched on. */
export function keylines(frames: () => Iterable<PageFrame>) {
	const label = document.createElement('div');
	label.setAttribute('aria-hidden', 'true');
	label.style.cssText =
		'position:fixed;z-index:9;display:none;padding:2px 6px;background:#fffdf8;color:#231e17;border:1px solid #231e17;font:13px/1.4 monospace;pointer-events:none;white-space:nowrap';
	let on = false;
	/** A selector whose matches are outlined; '' for none. */
	let outlined = '';

	function draw(): void {
		const hits = outlined === '' ? '' : `:is(${outlined}) { ${HIT} }`;
		for (const frame of frames()) frame.overlay(on ? EDGES : hits);
	}

	return {
		switch(to: boolean): void {
			on = to;
			if (!label.isConnected) document.body.append(label);
			label.style.display = 'none';
			draw();
		},
		/** Outlines in every frame what a selector matches; '' for nothing. */
		outline(selector: string): void {
			outlined = selector;
			draw();
		},
		/** The pointer is over an element of a frame. */
		over(frame: PageFrame, event: MouseEvent): void {
			const element = event.target;
			if (!on || !isElement(element)) return;
			const { width, height } = own(element).getBoundingClientRect();
			label.textContent = `${nameOf(element)}  ${figure(width)} × ${figure(height)}`;
			label.style.display = 'block';
			const { left, top, width: drawn } = frame.box.getBoundingClientRect();
			const scale = drawn / frame.window().innerWidth;
			const x = left + event.clientX * scale + 12;
			label.style.left = `${Math.max(0, Math.min(x, innerWidth - label.offsetWidth - 4))}px`;
			label.style.top = `${Math.max(0, top + event.clientY * scale - 30)}px`;
		}
	};
}
