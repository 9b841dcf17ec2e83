import { isElement, own } from '../../probe/own.ts';

const MATHML = 'http://www.w3.org/1998/Math/MathML';
const XLINK = 'http://www.w3.org/1999/xlink';

/**
 * The link at the target of an event, including links of SVG or MathML or in a shadow tree; undefined where there is
 * none.
 */
function linkAt(event: Event): { readonly link: Element; readonly href: string } | undefined {
	for (const link of event.composedPath()) {
		if (!isElement(link)) continue;
		const { localName, namespaceURI } = own(link);
		if (!/^(a|area)$/.test(localName) && namespaceURI !== MATHML) continue;
		const href = own(link).getAttribute('href') ?? own(link).getAttributeNS(XLINK, 'href');
		if (href !== null) return { link, href };
	}
	return undefined;
}

/** The address of the link at the target of an event, as written; undefined where there is none. */
export const hrefAt = (event: Event): string | undefined => linkAt(event)?.href;

/** An invalid address as similar as possible to a given one: no host can have `^` in its name (URL §3.1). */
function unreadable(href: string, base: string): string {
	const text = href.replace(/^\s*([a-z][a-z0-9+.-]*:)?[\\/]*/i, '$&^');
	return URL.canParse(text, base) ? 'http://^' : text;
}

const isForeign = (href: string, base: string): boolean => {
	if (!URL.canParse(href, base)) return false;
	const { origin, protocol } = new URL(href, base);
	return origin !== location.origin && /^https?:$/.test(protocol);
};

/**
 * Browsers connect to a link's host as soon as the link is pressed, before any listener is called. So a link to
 * another host has no valid address while the pointer is on it.
 */
export function hushLinks(document: Document): void {
	let hushed: { readonly link: Element; readonly href: string } | undefined;
	const restore = (): void => {
		if (hushed) own(hushed.link).setAttribute('href', hushed.href);
		hushed = undefined;
	};
	const over = (event: Event): void => {
		const found = linkAt(event);
		if (found && found.link === hushed?.link) return;
		restore();
		const base = own(document).baseURI;
		if (!found || !isForeign(found.href, base) || !own(found.link).hasAttribute('href')) return;
		hushed = found;
		own(found.link).setAttribute('href', unreadable(found.href, base));
	};
	own(document).addEventListener('pointerover', over, true);
	own(document).addEventListener(
		'pointerout',
		(event) => {
			if (!(event as PointerEvent).relatedTarget) restore();
		},
		true
	);
}
