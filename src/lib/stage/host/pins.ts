import { own } from '../../probe/own.ts';
import { elementByPath } from '../../probe/path.ts';
import type { Pin } from '../protocol.ts';
import type { PageFrame } from './pageFrame.ts';

/** The attributes that stand for a state on an element and on its ancestors, in a sheet rewritten for a vantage. */
const ATTRIBUTES: Readonly<Record<Pin['state'], { own: readonly string[]; around: readonly string[] }>> = {
	hover: { own: ['data-vantaggio-hover'], around: ['data-vantaggio-hover'] },
	active: { own: ['data-vantaggio-active'], around: ['data-vantaggio-active'] },
	focus: {
		own: ['data-vantaggio-focus', 'data-vantaggio-focus-within'],
		around: ['data-vantaggio-focus-within']
	}
};

/** Pins states on elements of frames, whatever pointer and focus do. */
export function pinning(frames: () => ReadonlyMap<string, PageFrame>) {
	let pins: readonly Pin[] = [];
	/** What was set here, to be removed again. */
	let set: { element: Element; attribute: string }[] = [];

	function put(element: Element, attribute: string): void {
		if (own(element).hasAttribute(attribute)) return;
		own(element).setAttribute(attribute, '');
		set.push({ element, attribute });
	}

	function hold(id: string, frame: PageFrame): void {
		for (const { path, state, frame: only } of pins) {
			if (only !== null && only !== id) continue;
			const element = elementByPath(frame.document(), path);
			if (!element) continue;
			for (const attribute of ATTRIBUTES[state].own) put(element, attribute);
			for (let at = own(element).parentElement; at; at = own(at).parentElement) {
				for (const attribute of ATTRIBUTES[state].around) put(at, attribute);
			}
		}
	}

	return {
		pin(next: readonly Pin[]): void {
			for (const { element, attribute } of set) own(element).removeAttribute(attribute);
			set = [];
			pins = next;
			for (const [id, frame] of frames()) hold(id, frame);
		},
		/** A page was written into a frame. */
		written(frame: PageFrame): void {
			for (const [id, one] of frames()) if (one === frame) hold(id, frame);
		}
	};
}
