import { elementByPath, pathOf } from '../../probe/path.ts';
import type { PageFrame } from './pageFrame.ts';

/** The attribute that stands for a hover in a sheet read for a vantage (core/simulate). */
const HOVER = 'data-vantaggio-hover';

/** A tap leaves its element and those around it hovered until the next tap elsewhere, as touch browsers do. */
function tap(document: Document, target: Element): void {
	for (const element of document.querySelectorAll(`[${HOVER}]`)) element.removeAttribute(HOVER);
	for (let at: Element | null = target; at; at = at.parentElement) at.setAttribute(HOVER, '');
}

/** What a frame does while its page is used: links tell where they lead, nothing is sent, other frames follow. */
export interface Using {
	/** Whether an event is the page's own affair now. */
	allows(event: Event): boolean;
	/** A page was written: listens to it. */
	listen(frame: PageFrame): void;
	/** What was left by use is taken away where it ends. */
	end(): void;
}

/** The state of a control that a person has set, and how it is set again. */
const STATES = ['open', 'checked', 'value'] as const;

export function using(
	frames: () => Iterable<PageFrame>,
	isOn: () => boolean,
	openPage: (href: string) => void
): Using {
	/** Puts the state of a control into the same one of the other frames, where they have it. */
	function follow(leader: PageFrame, element: Element): void {
		const path = pathOf(element);
		for (const frame of frames()) {
			if (frame === leader) continue;
			const other = elementByPath(frame.document(), path) as (Element & Record<string, unknown>) | null;
			if (other?.localName !== element.localName) continue;
			for (const state of STATES) {
				const value = (element as Element & Record<string, unknown>)[state];
				if (state in other && other[state] !== value) other[state] = value;
			}
		}
	}

	return {
		allows: (event) => isOn() && /^(click|mousedown)$/.test(event.type),
		listen(frame) {
			const document = frame.document();
			document.addEventListener(
				'click',
				(event) => {
					const target = event.target as Element | null;
					if (!isOn() || !target?.closest) return;
					if (frame.taps) tap(document, target);
					const href = target.closest('a[href], area[href]')?.getAttribute('href');
					if (href === undefined || href === null || href.startsWith('#')) return;
					event.preventDefault();
					openPage(href);
				},
				true
			);
			for (const type of ['toggle', 'input', 'change']) {
				document.addEventListener(
					type,
					(event) => {
						if (isOn() && event.target !== document) follow(frame, event.target as Element);
					},
					true
				);
			}
		},
		end() {
			for (const frame of frames()) {
				for (const element of frame.document().querySelectorAll(`[${HOVER}]`)) element.removeAttribute(HOVER);
				(frame.document().activeElement as HTMLElement | null)?.blur?.();
			}
		}
	};
}
