import { addressesIn, sliceOf, walk, type Sheet } from '../css/index.ts';
import { innerSpan, isSheetLink, srcsetCandidates, type Page, type PageElement } from '../html/index.ts';
import { resolveAddress, type Target } from './address.ts';
import { baseOf, resolveFromBase } from './sheets.ts';
import type { Sources } from './sources.ts';

export type FileKind = 'page' | 'sheet' | 'picture' | 'font' | 'film' | 'other';

/** What a file asks for: a script is never run here, and so is no kind of file of its own. */
export type AskedKind = FileKind | 'script';

/** Something that a file asks for. */
export interface Reference {
	readonly kind: AskedKind;
	readonly target: Exclude<Target, { kind: 'none' }>;
	/** The file that asks. */
	readonly from: string;
	/** Of a font: all that its `@font-face` names, of which a browser takes the first that it can (CSS Fonts 4 §4.3). */
	readonly choices?: readonly Target[];
}

/** Attributes that hold an address, by element, and what they ask for. */
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

/** Attributes with an address from which nothing is fetched before it is gone to; it may be a program's of the server. */
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

/** The attributes of an element that hold one address each. */
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

/** What a page asks for, in document order, `style` attributes and `<style>` elements included. */
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

/** What a sheet asks for, its addresses seen from `base`: its own file unless it stands in a page. */
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
