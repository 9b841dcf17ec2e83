import { sliceOf, type Span } from '../css/index.ts';
import {
	attribute,
	innerSpan,
	isInside,
	isSheetLink,
	type ElementPath,
	type Page,
	type PageElement
} from '../html/index.ts';
import { resolveAddress } from './address.ts';

/** A sheet as a page uses it: where in the page, with which media, and from where. */
export interface SheetUse {
	readonly element: ElementPath;
	readonly media: string;
	/** The `media` attribute in the page; null where there is none. */
	readonly mediaSpan: Span | null;
	readonly from:
		| { readonly kind: 'file'; readonly path: string }
		/** A `<style>`; the span is that of its text in the page. */
		| { readonly kind: 'inline'; readonly span: Span }
		| { readonly kind: 'outside'; readonly address: string };
}

/** The path or address from which a page's relative addresses are resolved (HTML §2.4.3). */
export function baseOf(page: Page, path: string): string {
	const base = page.elements.find((element) => element.tag === 'base' && element.attributes.has('href'));
	const target = base && resolveAddress(attribute(base, 'href') as string, path);
	if (target?.kind === 'outside') return target.address;
	return target?.kind === 'site' ? target.path.replace(/\/index\.html$/, '/') : path;
}

/** Resolves an address of a page; with a base outside the site every relative address is outside too. */
export function resolveFromBase(address: string, base: string): ReturnType<typeof resolveAddress> {
	const outside = /^([a-z][a-z0-9+.-]*:|\/\/)/i.test(base);
	const target = resolveAddress(address, outside ? '' : base);
	return outside && target.kind === 'site' ? { kind: 'outside', address: `${base}${address}` } : target;
}

/**
 * The sheets in force on a page, in cascade order: `<link rel=stylesheet>` and `<style>`. Left out are alternate and
 * disabled sheets, sets other than the preferred one (CSSOM §6.2.3), types other than CSS, and the content of
 * `<noscript>`.
 */
export function sheetsOfPage(page: Page, path: string): SheetUse[] {
	const base = baseOf(page, path);
	const uses: SheetUse[] = [];
	let preferred = '';
	for (const element of page.elements) {
		if (!isSheetLink(element) && element.tag !== 'style') continue;
		if (!/^(text\/css\s*(;.*)?)?$/i.test(attribute(element, 'type')?.trim() ?? '')) continue;
		if (isInside(element, 'noscript')) continue;
		const from = element.tag === 'style' ? inline(element) : linked(element, base);
		if (!from) continue;
		const title = attribute(element, 'title') ?? '';
		if (title !== '') preferred ||= title;
		if (title !== '' && title !== preferred) continue;
		const media = element.attributes.get('media');
		uses.push({ element: element.path, media: media?.value ?? '', mediaSpan: media?.span ?? null, from });
	}
	return uses;
}

/** The text of a sheet, its file, and its offset in that file: 0 except for a `<style>`. */
export interface SheetText {
	readonly file: string;
	readonly text: string;
	readonly offset: number;
}

/** The text of a sheet of a page; undefined where the site does not have it. */
export function textOfUse(
	{ from }: SheetUse,
	page: Page,
	path: string,
	textOf: (path: string) => string | undefined
): SheetText | undefined {
	if (from.kind === 'outside') return undefined;
	if (from.kind === 'inline')
		return { file: path, text: sliceOf(page.source, from.span), offset: from.span.start };
	const text = textOf(from.path);
	return text === undefined ? undefined : { file: from.path, text, offset: 0 };
}

function inline(element: PageElement): SheetUse['from'] | null {
	const span = innerSpan(element);
	return span && { kind: 'inline', span };
}

function linked(element: PageElement, base: string): SheetUse['from'] | null {
	if (element.attributes.has('disabled') || /(^|\s)alternate(\s|$)/i.test(attribute(element, 'rel') ?? ''))
		return null;
	const target = resolveFromBase(attribute(element, 'href') ?? '', base);
	if (target.kind === 'site') return { kind: 'file', path: target.path };
	return target.kind === 'outside' ? { kind: 'outside', address: target.address } : null;
}
