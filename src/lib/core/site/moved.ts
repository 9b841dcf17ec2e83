import { addressesIn, sliceOf, walk, type Span } from '../css/index.ts';
import {
	innerSpan,
	srcsetCandidates,
	valuePlaces,
	type Attribute,
	type Page,
	type PageElement
} from '../html/index.ts';
import { applyChanges, shifted, type Change } from '../text/index.ts';
import { addressOf, relativeAddress } from './address.ts';
import { addressAttributes, referencesOfPage, referencesOfSheet } from './references.ts';
import { baseOf, resolveFromBase } from './sheets.ts';
import { parsers, type Sources } from './sources.ts';

/** A file of a site that gets another path. */
interface PathChange {
	readonly from: string;
	readonly to: string;
}

/** A file of a site that gets another path, or null: then it is deleted. */
export interface FileMove {
	readonly from: string;
	readonly to: string | null;
}

/** What renaming or deleting a file means for a text of the site. */
export interface Followed {
	readonly changes: readonly Change[];
	/** Whether the changed text still refers to the file. */
	readonly asks: boolean;
}

/** Parsers for the texts, with their caches. */
type Parsing = Pick<Sources, 'page' | 'sheet'>;

/**
 * The path of an address, without its query and fragment, as written and as it is to be written; undefined where it
 * stays the same.
 */
type Rewrite = (address: string) => { readonly from: string; readonly to: string } | undefined;

/** The change that rewrites the path of an address; none where the text does not contain the address literally. */
function rewritten(text: string, address: string, rewrite: Rewrite, start = 0): Change[] {
	const next = rewrite(address);
	const found = text.indexOf(address, start);
	if (!next || found < 0) return [];
	const at = found + address.indexOf(next.from);
	return [{ start: at, end: at + next.from.length, text: next.to }];
}

/** The addresses in a sheet's text that have to be rewritten. */
const inSheet = (text: string, rewrite: Rewrite): Change[] =>
	addressesIn(text).flatMap(({ address, span: { start, end } }) =>
		shifted(rewritten(text.slice(start, end), address, rewrite), start)
	);

/**
 * How addresses resolved from `base` are written when resolved from `newBase`, while some files have other paths.
 */
function rewriting(base: string, newBase: string, moved: (path: string) => string): Rewrite {
	return (address) => {
		const target = resolveFromBase(address, base);
		const from = /^[^?#]*/.exec(address.trim())?.[0] ?? '';
		if (target.kind !== 'site' || from === '') return undefined;
		const path = moved(target.path);
		const isRooted = /^[\\/]/.test(from);
		if (path === target.path && (isRooted || base === newBase)) return undefined;
		const to = isRooted ? addressOf(path, '/') : relativeAddress(path, newBase);
		return to === from ? undefined : { from, to };
	};
}

/** The addresses of an attribute that have to be rewritten. */
function inAttribute(
	page: Page,
	{ value, span }: Attribute,
	addresses: readonly string[],
	rewrite: Rewrite
): Change[] {
	const places = span && valuePlaces(sliceOf(page.source, span), value);
	if (!places) return [];
	let from = 0;
	return addresses.flatMap((address) => {
		const changes = rewritten(value, address, rewrite, from);
		from = value.indexOf(address, from) + address.length;
		return changes.map(({ start, end, text }) => ({
			start: span.start + (places[start] as number),
			end: span.start + (places[end] as number),
			text
		}));
	});
}

/** The addresses in the value of an attribute that contains some on this element. */
function addressesOf(element: PageElement, name: string, value: string): string[] {
	if (/srcset$/.test(name)) return srcsetCandidates(value).map(({ address }) => address);
	if (name === 'style') return addressesIn(value).map(({ address }) => address);
	// HTML §4.2.5.3: a time, then the address, with or without `url=` and quotes.
	if (element.tag === 'meta')
		return /^[\s\d.]+[;,]?\s*(?:url\s*=\s*)?["']?([^"']+)/i.exec(value)?.slice(1) ?? [];
	return [value.trim()];
}

function inElement(page: Page, element: PageElement, rewrite: Rewrite): Change[] {
	const inner = element.tag === 'style' ? innerSpan(element) : null;
	const changes = inner ? shifted(inSheet(sliceOf(page.source, inner), rewrite), inner.start) : [];
	for (const name of [...addressAttributes(element), 'srcset', 'imagesrcset', 'style']) {
		const known = element.attributes.get(name);
		if (known) changes.push(...inAttribute(page, known, addressesOf(element, name, known.value), rewrite));
	}
	return changes;
}

/**
 * The addresses in a text that have to be rewritten once it is at another path, while some files have other paths.
 */
function written(
	kind: 'page' | 'sheet',
	text: string,
	{ from, to }: PathChange,
	moved: (path: string) => string,
	by: Parsing
): Change[] {
	if (kind === 'sheet') return inSheet(text, rewriting(from, to, moved));
	const page = by.page(text);
	const rewrite = rewriting(baseOf(page, from), baseOf(page, to), moved);
	return page.elements
		.flatMap((element) => inElement(page, element, rewrite))
		.sort((a, b) => a.start - b.start);
}

/**
 * The changes that keep the addresses of a file intact when a file of the site, or that one itself, gets another
 * path.
 */
function followedMove(
	kind: 'page' | 'sheet',
	text: string,
	path: string,
	{ from, to }: PathChange,
	by: Parsing
): Change[] {
	const moved = (one: string): string => (one === from ? to : one);
	return written(kind, text, { from: path, to: moved(path) }, moved, by);
}

/** The text of a page or sheet as written at another path, in a copy: its addresses still lead to the same files. */
export const readdressed = (
	kind: 'page' | 'sheet',
	text: string,
	change: PathChange,
	by: Parsing = parsers()
): string =>
	applyChanges(
		text,
		written(kind, text, change, (path) => path, by)
	);

/** A stretch of a text, with its line where nothing else is on it. */
function wholeLine(text: string, { start, end }: Span): Change {
	const before = /\n[^\S\n]*$/.exec(text.slice(0, start))?.[0];
	const isAlone = before !== undefined && /^[^\S\n]*(\n|$)/.test(text.slice(end));
	return { start: isAlone ? start - before.length : start, end, text: '' };
}

/** The changes that remove a sheet from a page or another sheet: its `<link>` elements and `@import`s. */
function withoutSheet(
	kind: 'page' | 'sheet',
	text: string,
	path: string,
	removed: string,
	by: Parsing
): Change[] {
	const leads = (address: string, base: string): boolean => {
		const target = resolveFromBase(address, base);
		return target.kind === 'site' && target.path === removed;
	};
	const imports = (source: string, base: string): Change[] => {
		const gone = addressesIn(source).filter((one) => one.import && leads(one.address, base));
		return [...walk(by.sheet(source))].flatMap((node) =>
			node.kind === 'at-rule' &&
			node.name === 'import' &&
			gone.some(({ span }) => node.span.start <= span.start && span.end <= node.span.end)
				? [wholeLine(source, node.span)]
				: []
		);
	};
	if (kind === 'sheet') return imports(text, path);
	const page = by.page(text);
	const base = baseOf(page, path);
	return page.elements.flatMap((element) => {
		const inner = element.tag === 'style' ? innerSpan(element) : null;
		if (inner) return shifted(imports(sliceOf(text, inner), base), inner.start);
		const href = element.tag === 'link' ? element.attributes.get('href')?.value : undefined;
		return href !== undefined && element.span && leads(href, base) ? [wholeLine(text, element.span)] : [];
	});
}

/** What renaming or deleting a file means for a text of the site. */
export function followed(
	kind: 'page' | 'sheet',
	text: string,
	path: string,
	{ from, to }: FileMove,
	by: Parsing
): Followed {
	if (to !== null) return { changes: followedMove(kind, text, path, { from, to }, by), asks: false };
	if (path === from) return { changes: [], asks: false };
	const asked =
		kind === 'page' ? referencesOfPage(by.page(text), path, by) : referencesOfSheet(by.sheet(text), path);
	return {
		changes: withoutSheet(kind, text, path, from, by),
		asks: asked.some(
			({ kind: as, target }) => as !== 'sheet' && target.kind === 'site' && target.path === from
		)
	};
}
