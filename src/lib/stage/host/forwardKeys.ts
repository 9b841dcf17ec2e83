import { own } from '../../probe/own.ts';
import type { FrameKey } from '../protocol.ts';

/** Whether keys go to something in a page. */
export const isField = (target: EventTarget | null): boolean => {
	const element = target as Element | null;
	return (
		own(element)?.matches?.('input, textarea, select, [contenteditable]:not([contenteditable=false])') ??
		false
	);
};

/**
 * Reports every key pressed or released in a document; those that are down when it loses the focus count as released.
 * The browser's own saving is prevented.
 */
export function forwardKeys(document: Document, report: (key: FrameKey) => void): void {
	/** The keys that are down, by name. */
	const down = new Map<string, FrameKey>();
	for (const type of ['keydown', 'keyup'] as const) {
		own(document).addEventListener(
			type,
			(event) => {
				const { key, shiftKey: shift, ctrlKey: ctrl, altKey: alt, metaKey: meta, repeat } = event;
				if ((ctrl || meta) && key.toLowerCase() === 's') event.preventDefault();
				const typing = isField(event.target);
				const pressed = { key, shift, ctrl, alt, meta, repeat, typing, up: type === 'keyup' };
				if (pressed.up) down.delete(key.toLowerCase());
				else down.set(key.toLowerCase(), pressed);
				report(pressed);
			},
			true
		);
	}
	own(document).defaultView?.addEventListener('blur', () => {
		for (const key of down.values()) report({ ...key, up: true });
		down.clear();
	});
}
