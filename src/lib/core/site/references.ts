import { addressesIn, sliceOf, walk, type Sheet } from '../css/index.ts';
import { innerSpan, isSheetLink, srcsetCandidates, type Page, type PageElement } from '../html/index.ts';
import { resolveAddress, type Target } from './address.ts';
import { baseOf, resolveFromBase } from './sheets.ts';
import type { Sources } from './sources.ts';

export type FileKind = 'page' | 'sheet' | 'picture' | 'font' | 'film' | 'other';

/** The kinds of files that are referred to: scripts are never run here, and so are not a kind of their own. */
export type AskedKind = FileKind | 'script';

/** A file that another refers to. */
export interface Reference {
	readonly kind: AskedKind;
	readonly target: Exclude<Target, { kind: 'none' }>;
	/** The file that contains the reference. */
	readonly from: string;
	/**
	 * For a font: all files in its `@font-face`, of which a browser takes the first that it supports (CSS Fonts 4
	 * §4.3).
	 */
	readonly choices?: readonly Target[];
}

/** Attributes that contain an address, by element, and the kind of file. */
const ADDRESSES: Readonly<Record<string, Readonly<Record<string, AskedKind>>>> = {
	a: { href: 'page' },
	area: { href: 'page' },
	img: { src: 'picture' },
	input: { src: 'picture' },
	source: { src: 'film' },
	video: { src: 'film', poster: 'picture' },
	audio: { src: 'film' },
	track: { src: 'other' },
	script: { src: 'script' },
	iframe: { src: 'page' },
	embed: { src: 'other' },
	object: { data: 'other' },
	image: { href: 'picture', 'xlink:href': 'picture' },
	use: { href: 'picture', 'xlink:href': 'picture' },
	body: { background: 'picture' }
};

/** Attributes with an address that is only fetched when somebody goes there; it may be a program on the server. */
const LED_TO: Readonly<Record<string, readonly string[]>> = {
	a: ['xlink:href'],
	form: ['action'],
	button: ['formaction'],
	input: ['formaction'],
	blockquote: ['cite'],
	q: ['cite'],
	del: ['cite'],
	ins: ['cite']
};

const isRefresh = ({ attributes }: PageElement): boolean =>
	attributes.get('http-equiv')?.value.toLowerCase() === 'refresh';

/** The attributes of an element that contain one address each. */
export function addressAttributes(element: PageElement): string[] {
	const { tag } = element;
	if (tag === 'link') return ['href'];
	if (tag === 'meta') return isRefresh(element) ? ['content'] : [];
	return [...Object.keys(ADDRESSES[tag] ?? {}), ...(LED_TO[tag] ?? [])];
}

function asked(element: PageElement): [AskedKind, string][] {
	const found: [AskedKind, string][] = [];
	const { tag, attributes } = element;
	if (tag === 'link') {
		const rel = attributes.get('rel')?.value.toLowerCase() ?? '';
		const href = attributes.get('href')?.value ?? '';
		const idle =
			/\b(canonical|preconnect|dns-prefetch|alternate|author|license|next|prev|help|search|shortlink)\b/;
		if (isSheetLink(element)) found.push(['sheet', href]);
		else if (!idle.test(rel)) found.push([/\bicon\b/.test(rel) ? 'picture' : 'other', href]);
	}
	for (const [name, kind] of Object.entries(ADDRESSES[tag] ?? {})) {
		const value = attributes.get(name)?.value;
		if (value !== undefined) found.push([kind, value]);
	}
	const srcset = tag === 'img' || tag === 'source' ? attributes.get('srcset')?.value : undefined;
	if (srcset !== undefined)
		for (const { address } of srcsetCandidates(srcset)) found.push(['picture', address]);
	return found;
}

/** The references of a page, in document order, including `style` attributes and `<style>` elements. */
export function referencesOfPage(page: Page, path: string, sources: Pick<Sources, 'sheet'>): Reference[] {
	const base = baseOf(page, path);
	const found: Reference[] = [];
	const add = (kind: AskedKind, target: Target): void => {
		if (target.kind !== 'none') found.push({ kind, target, from: path });
	};
	for (const element of page.elements) {
		for (const [kind, address] of asked(element)) add(kind, resolveFromBase(address, base));
		const style = element.attributes.get('style')?.value;
		if (style?.includes('(')) {
			for (const { address } of addressesIn(style)) add('picture', resolveFromBase(address, base));
		}
		const inner = element.tag === 'style' ? innerSpan(element) : null;
		if (inner) found.push(...referencesOfSheet(sources.sheet(sliceOf(page.source, inner)), path, base));
	}
	return found;
}

/** The references of a sheet, with addresses resolved from `base`: its own file unless it is in a page. */
export function referencesOfSheet(sheet: Sheet, file: string, base = file): Reference[] {
	const fontFaces = [...walk(sheet)].filter((node) => node.kind === 'at-rule' && node.name === 'font-face');
	const uses = addressesIn(sheet.source).map((use) => ({
		use,
		face: fontFaces.find(({ span }) => span.start <= use.span.start && use.span.end <= span.end),
		target: base === file ? resolveAddress(use.address, base) : resolveFromBase(use.address, base)
	}));
	return uses.flatMap(({ use, face, target }): Reference[] => {
		if (target.kind === 'none') return [];
		if (!face) return [{ kind: use.import ? 'sheet' : 'picture', target, from: file }];
		const choices = uses.flatMap((one) => (one.face === face ? [one.target] : []));
		return [{ kind: 'font', target, from: file, choices }];
	});
}
