import type { ShownOriginal } from '../protocol.ts';
import type { PageFrame } from './pageFrame.ts';

/** Pictures of how a page should look, laid under or over the pages of frames. */
export function originals(frames: () => ReadonlyMap<string, PageFrame>) {
	let shown: ReadonlyMap<string, ShownOriginal> = new Map();
	const pictures = new Map<PageFrame, HTMLImageElement>();

	function remove(frame: PageFrame): void {
		pictures.get(frame)?.remove();
		pictures.delete(frame);
		frame.page.style.opacity = '';
	}

	function place(id: string, frame: PageFrame): void {
		const original = shown.get(id);
		if (!original) return remove(frame);
		let picture = pictures.get(frame);
		if (!picture) {
			picture = document.createElement('img');
			picture.alt = '';
			picture.style.cssText = 'position:absolute;max-width:none;pointer-events:none';
			pictures.set(frame, picture);
		}
		const { src, x, y, width, height, mode, strength } = original;
		if (picture.src !== src) picture.src = src;
		const under = mode === 'under';
		if (under) frame.box.prepend(picture);
		else if (picture.parentElement !== frame.box || picture.nextElementSibling === frame.page) {
			frame.page.after(picture);
		}
		const window = frame.window();
		const { width: drawn, height: high } = frame.box.getBoundingClientRect();
		const scale = drawn / window.innerWidth;
		const left = (x - window.scrollX) * scale;
		const top = (y - window.scrollY) * scale;
		Object.assign(picture.style, {
			left: `${left}px`,
			top: `${top}px`,
			width: `${width * scale}px`,
			height: `${height * scale}px`,
			opacity: mode === 'over' ? String(strength) : '',
			// The picture is shown to the right of the line, which moves with the frame rather than with the picture.
			clipPath:
				mode === 'wipe'
					? `inset(${-top}px ${left + width * scale - drawn}px ${top + height * scale - high}px ${strength * drawn - left}px)`
					: ''
		});
		frame.page.style.opacity = under ? String(1 - strength) : '';
	}

	const placeAll = (): void => {
		for (const [id, frame] of frames()) place(id, frame);
	};

	return {
		show(next: ReadonlyMap<string, ShownOriginal>): void {
			shown = next;
			placeAll();
		},
		/** Frames were laid out or scrolled. */
		changed: placeAll,
		forget: remove
	};
}
