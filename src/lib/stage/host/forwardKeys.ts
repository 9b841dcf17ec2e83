import type { FrameKey } from '../protocol.ts';

const isField = (target: EventTarget | null): boolean => {
	const element = target as Element | null;
	return (
		element?.matches?.('input, textarea, select, [contenteditable]:not([contenteditable=false])') ?? false
	);
};

/** Tells every key that is pressed in a document; the browser's own saving is prevented. */
export function forwardKeys(document: Document, tell: (key: FrameKey) => void): void {
	document.addEventListener(
		'keydown',
		(event) => {
			const { key, shiftKey: shift, ctrlKey: ctrl, altKey: alt, metaKey: meta, repeat } = event;
			if ((ctrl || meta) && key.toLowerCase() === 's') event.preventDefault();
			tell({ key, shift, ctrl, alt, meta, repeat, typing: isField(event.target) });
		},
		true
	);
}
