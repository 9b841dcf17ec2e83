import { imageSize } from 'image-size';
import { decodeText } from '$lib/core/text/index.ts';
import {
	referencesOfPage,
	referencesOfSheet,
	sourcesOf,
	type FileKind,
	type Reference
} from '$lib/core/site/index.ts';
import { codec } from '../codec.ts';
import type { Entry } from './entry.ts';

export interface Sorted extends Entry {
	readonly kind: FileKind;
	readonly width: number | null;
	readonly height: number | null;
}

const ascii = (bytes: Uint8Array, from: number, to: number): string =>
	String.fromCharCode(...bytes.subarray(from, to));

const begins = (bytes: Uint8Array, ...lead: number[]): boolean => lead.every((byte, i) => bytes[i] === byte);

/** What a file's first bytes say it is; null where they say nothing. */
function kindByContent(bytes: Uint8Array): FileKind | null {
	const start = ascii(bytes, 0, 4);
	if (/^(wOFF|wOF2|OTTO|true|ttcf)$/.test(start) || begins(bytes, 0, 1, 0, 0)) return 'font';
	if (/^(\x89PNG|GIF8|\xff\xd8\xff.)/s.test(start)) return 'picture';
	if (start === 'RIFF') return ascii(bytes, 8, 12) === 'WEBP' ? 'picture' : 'film';
	if (ascii(bytes, 4, 8) === 'ftyp') {
		return /^(avif|avis|heic|mif1)$/.test(ascii(bytes, 8, 12)) ? 'picture' : 'film';
	}
	if (begins(bytes, 0x1a, 0x45, 0xdf, 0xa3) || start === 'OggS') return 'film';
	if (begins(bytes, 0, 0, 1, 0)) return 'picture';
	const head = decodeText(bytes.subarray(0, 2048), codec).text.replace(
		/^\s*(<\?xml[^>]*>\s*)?(<!--[\s\S]*?-->\s*)*/,
		''
	);
	if (/^(<!doctype svg[^>]*>\s*)?<svg[\s>]/i.test(head)) return 'picture';
	if (/^<(!doctype\s+html|html|head|body)[\s>]/i.test(head)) return 'page';
	return null;
}

const byName = (path: string): FileKind | null =>
	/\.css$/i.test(path) ? 'sheet' : /\.x?html?$/i.test(path) ? 'page' : null;

const isText = (bytes: Uint8Array): boolean =>
	!bytes.subarray(0, 4096).includes(0) || bytes[0] === 0xff || bytes[0] === 0xfe;

function measured(kind: FileKind, bytes: Uint8Array): { width: number | null; height: number | null } {
	if (kind !== 'picture') return { width: null, height: null };
	try {
		const { width, height } = imageSize(bytes);
		return { width, height };
	} catch {
		return { width: null, height: null };
	}
}

/**
 * Tells pages, sheets, pictures, fonts and films: by content first, then by what pages and sheets ask for,
 * last by name. What is none of them is kept as `other`, so that it can go out again.
 */
export function sortFiles(entries: readonly Entry[]): Sorted[] {
	const kinds = new Map<string, FileKind>();
	const texts = new Map<string, string>();
	const bytesOf = new Map(entries.map(({ path, bytes }) => [path, bytes]));
	const sources = sourcesOf((path) => texts.get(path));
	const queue: string[] = [];
	const settle = (path: string, kind: FileKind): void => {
		kinds.set(path, kind);
		if (kind !== 'page' && kind !== 'sheet') return;
		texts.set(path, decodeText(bytesOf.get(path) as Uint8Array, codec).text);
		queue.push(path);
	};
	for (const { path, bytes } of entries) {
		const kind = kindByContent(bytes) ?? (isText(bytes) ? byName(path) : null);
		if (kind) settle(path, kind);
	}
	for (let path = queue.pop(); path !== undefined; path = queue.pop()) {
		const text = texts.get(path) as string;
		const asked: Reference[] =
			kinds.get(path) === 'page'
				? referencesOfPage(sources.page(text), path, sources)
				: referencesOfSheet(sources.sheet(text), path);
		for (const { kind, target } of asked) {
			if (kind !== 'sheet' || target.kind !== 'site' || kinds.has(target.path)) continue;
			const bytes = bytesOf.get(target.path);
			if (bytes && isText(bytes)) settle(target.path, 'sheet');
		}
	}
	return entries.map((entry) => {
		const kind = kinds.get(entry.path) ?? 'other';
		return { ...entry, kind, ...measured(kind, entry.bytes) };
	});
}
