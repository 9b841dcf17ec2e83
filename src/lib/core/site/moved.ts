import { addressesIn, sliceOf, walk, type Span } from '../css/index.ts';
import { innerSpan, srcsetCandidates, type Page, type PageElement } from '../html/index.ts';
import { applyChanges, shifted, type Change } from '../text/index.ts';
import { addressOf, relativeAddress } from './address.ts';
import { addressAttributes } from './references.ts';
import { baseOf, resolveFromBase } from './sheets.ts';
import { parsers, type Sources } from './sources.ts';

/** A file of a site that gets another path. */
export interface PathChange {
	readonly from: string;
	readonly to: string;
}

/** What reads the texts, which others have read already. */
type Parsing = Pick<Sources, 'page' | 'sheet'>;

/** An address as it is to be written; undefined where it stays as it is. */
type Rewrite = (address: string) => string | undefined;

/** The addresses in a sheet's text that are written otherwise. */
const inSheet = (text: string, rewrite: Rewrite): Change[] =>
	addressesIn(text).flatMap(({ address, span }) => {
		const at = text.slice(span.start, span.end).indexOf(address);
		const next = rewrite(address);
		if (next === undefined || at < 0) return [];
		const start = span.start + at;
		return [{ start, end: start + address.length, text: next }];
	});

/** How addresses are written that were seen from `base` and are seen from `newBase`, while some files have other paths. */
function rewriting(base: string, newBase: string, moved: (path: string) => string): Rewrite {
	return (address) => {
		const target = resolveFromBase(address, base);
		const [, bare = '', tail = ''] = /^([^?#]*)(.*)$/s.exec(address.trim()) ?? [];
		if (target.kind !== 'site' || bare === '') return undefined;
		const path = moved(target.path);
		const isRooted = /^[\\/]/.test(bare);
		if (path === target.path && (isRooted || base === newBase)) return undefined;
		const next = (isRooted ? addressOf(path, '/') : relativeAddress(path, newBase)) + tail;
		return next === address ? undefined : next;
	};
}

/** An attribute's addresses that are written otherwise; those that are written with character references stay. */
function inAttribute(page: Page, span: Span, addresses: readonly string[], rewrite: Rewrite): Change[] {
	const written = sliceOf(page.source, span);
	let at = written.indexOf('=') + 1;
	return addresses.flatMap((address) => {
		const found = written.indexOf(address, at);
		if (found < 0) return [];
		at = found + address.length;
		const next = rewrite(address);
		return next === undefined ? [] : [{ start: span.start + found, end: span.start + at, text: next }];
	});
}

function inElement(page: Page, element: PageElement, rewrite: Rewrite): Change[] {
	const inner = element.tag === 'style' ? innerSpan(element) : null;
	const changes = inner ? shifted(inSheet(sliceOf(page.source, inner), rewrite), inner.start) : [];
	for (const name of [...addressAttributes(element), 'srcset', 'style']) {
		const known = element.attributes.get(name);
		if (!known?.span) continue;
		const addresses =
			name === 'srcset'
				? srcsetCandidates(known.value).map(({ address }) => address)
				: name === 'style'
					? addressesIn(known.value).map(({ address }) => address)
					: [known.value.trim()];
		changes.push(...inAttribute(page, known.span, addresses, rewrite));
	}
	return changes;
}

/** The addresses in a text that are written otherwise once it is at another path, while some files have other paths. */
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

/** The changes by which the addresses of a file lead where they led, once a file of the site, or that one itself, has another path. */
export function followedMove(
	kind: 'page' | 'sheet',
	text: string,
	path: string,
	{ from, to }: PathChange,
	by: Parsing
): Change[] {
	const moved = (one: string): string => (one === from ? to : one);
	return written(kind, text, { from: path, to: moved(path) }, moved, by);
}

/** The text of a page or sheet as it is written at another path, in a copy: its addresses lead where they led. */
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

/** A stretch of a text with the line that it stands on alone. */
function wholeLine(text: string, { start, end }: Span): Change {
	const before = /\n[^\S\n]*$/.exec(text.slice(0, start))?.[0];
	const isAlone = before !== undefined && /^[^\S\n]*(\n|$)/.test(text.slice(end));
	return { start: isAlone ? start - before.length : start, end, text: '' };
}

/** The changes that take away what brings a sheet into a page or another sheet: its `<link>` elements and `@import`s. */
export function withoutSheet(
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
