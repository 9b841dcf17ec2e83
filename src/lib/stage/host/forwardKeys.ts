import { own } from '../../probe/own.ts';
import type { FrameKey } from '../protocol.ts';

const isField = (target: EventTarget | null): boolean => {
	const element = target as Element | null;
	return (
		own(element)?.matches?.('input, textarea, select, [contenteditable]:not([contenteditable=false])') ??
		false
	);
};

/** Tells every key that is pressed or let go in a document; the browser's own saving is prevented. */
export function forwardKeys(document: Document, tell: (key: FrameKey) => void): void {
	for (const type of ['keydown', 'keyup'] as const) {
		own(document).addEventListener(
			type,
			(event) => {
				const { key, shiftKey: shift, ctrlKey: ctrl, altKey: alt, metaKey: meta, repeat } = event;
				if ((ctrl || meta) && key.toLowerCase() === 's') event.preventDefault();
				const typing = isField(event.target);
				tell({ key, shift, ctrl, alt, meta, repeat, typing, up: type === 'keyup' });
			},
			true
		);
	}
}
