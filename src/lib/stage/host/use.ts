import { isElement, own } from '../../probe/own.ts';
import { elementByPath, pathOf } from '../../probe/path.ts';
import { hrefAt } from './links.ts';
import type { PageFrame } from './pageFrame.ts';

/** The attribute that stands for hover in a sheet rewritten for a vantage (core/simulate). */
const HOVER = 'data-vantaggio-hover';

/** A tap leaves its element and its ancestors hovered until the next tap elsewhere, as in touch browsers. */
function tap(document: Document, target: Element): void {
	for (const element of own(document).querySelectorAll(`[${HOVER}]`)) own(element).removeAttribute(HOVER);
	for (let at: Element | null = target; at; at = own(at).parentElement) own(at).setAttribute(HOVER, '');
}

/**
 * What a frame does while its page is in use: links report where they lead, nothing is sent, other frames follow.
 */
export interface Using {
	/** Whether an event is the page's own at present. */
	allows(event: Event): boolean;
	/** A page was written: listens to it. */
	listen(frame: PageFrame): void;
	/** The traces of use are removed where it ends. */
	end(): void;
}

/** The state of a control that a person has changed, and how to set it. */
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
			if (!other || own(other).localName !== own(element).localName) continue;
			for (const state of STATES) {
				const value = (element as Element & Record<string, unknown>)[state];
				if (state in other && other[state] !== value) other[state] = value;
			}
		}
	}

	/** Follows a link: scrolls to a fragment of the same page; otherwise asks the application to go there. */
	function lead(frame: PageFrame, href: string): void {
		const document = frame.document();
		const { baseURI, URL: here } = own(document);
		if (!URL.canParse(href, baseURI)) return;
		const to = new URL(href, baseURI);
		if (to.hash !== '' && to.href.replace(/#.*$/s, '') === here.replace(/#.*$/s, ''))
			frame.window().location.hash = to.hash;
		else openPage(to.href);
	}

	return {
		allows: (event) => isOn() && /^(click|mousedown)$/.test(event.type) && hrefAt(event) === undefined,
		listen(frame) {
			const document = frame.document();
			const used = (event: MouseEvent): void => {
				if (!isOn() || !isElement(event.target) || event.button > 1) return;
				if (frame.taps) tap(document, event.target);
				const href = hrefAt(event);
				if (href !== undefined) lead(frame, href);
			};
			own(document).addEventListener('click', used, true);
			own(document).addEventListener('auxclick', used, true);
			for (const type of ['toggle', 'input', 'change']) {
				own(document).addEventListener(
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
				for (const element of own(frame.document()).querySelectorAll(`[${HOVER}]`))
					own(element).removeAttribute(HOVER);
				own(own(frame.document()).activeElement as HTMLElement | null)?.blur?.();
			}
		}
	};
}
