import { fileTypeFromBuffer } from 'file-type';
import { imageSize } from 'image-size';
import { decodeText } from '$lib/core/text/index.ts';
import {
	referencesOfPage,
	referencesOfSheet,
	sourcesOf,
	type FileKind,
	type Reference
} from '$lib/core/site/index.ts';
import { PAGE_LIMITS } from '$lib/core/html/index.ts';
import { codec } from '../codec.ts';
import type { Entry, RefusedFile } from './entry.ts';
import { LIMITS, megabytes } from './limits.ts';

/** The kind of a file of a site. */
export interface Kind {
	readonly path: string;
	readonly kind: FileKind;
	readonly width: number | null;
	readonly height: number | null;
}

/** Whether bytes may be text: without a NUL, or UTF-16 by its BOM. */
const isText = (bytes: Uint8Array): boolean =>
	!bytes.subarray(0, 4096).includes(0) ||
	(bytes[0] === 0xff && bytes[1] === 0xfe) ||
	(bytes[0] === 0xfe && bytes[1] === 0xff);

/** The kind by a file's first bytes; null where they do not tell. */
async function kindByContent(bytes: Uint8Array): Promise<FileKind | null> {
	if (!isText(bytes)) {
		const { mime = '' } = (await fileTypeFromBuffer(bytes)) ?? {};
		if (mime.startsWith('font/')) return 'font';
		if (mime.startsWith('image/')) return 'picture';
		if (/^(video|audio)\/|^application\/ogg/.test(mime)) return 'film';
	}
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

function measured(kind: FileKind, bytes: Uint8Array): { width: number | null; height: number | null } {
	if (kind !== 'picture') return { width: null, height: null };
	try {
		// A copy, because shared memory cannot be decoded as text.
		const { width, height } = imageSize(bytes.slice());
		return { width, height };
	} catch {
		return { width: null, height: null };
	}
}

const TOO_MANY = `a page may have ${PAGE_LIMITS.elements.toLocaleString('en')} elements, ${PAGE_LIMITS.open.toLocaleString('en')} within one another`;

/**
 * Recognises pages, sheets, pictures, fonts and films: first by content, then by references in pages and sheets, last
 * by name. Anything else is kept as `other`, so that it can be exported; so are pages and sheets beyond the limits of
 * what is read, each with its reason.
 */
export async function sortFiles(
	entries: readonly Entry[]
): Promise<{ kinds: Kind[]; unread: RefusedFile[] }> {
	const kinds = new Map<string, FileKind>();
	const texts = new Map<string, string>();
	const bytesOf = new Map(entries.map(({ path, bytes }) => [path, bytes]));
	const sources = sourcesOf((path) => texts.get(path));
	const queue: string[] = [];
	const unread: RefusedFile[] = [];
	const leave = (path: string, why: string): void => {
		kinds.set(path, 'other');
		texts.delete(path);
		unread.push({ path, reason: `kept, but not read: ${why}` });
	};
	const settle = (path: string, kind: FileKind): void => {
		kinds.set(path, kind);
		if (kind !== 'page' && kind !== 'sheet') return;
		const bytes = bytesOf.get(path) as Uint8Array;
		if (bytes.length > LIMITS.text) return leave(path, `a ${kind} may have ${megabytes(LIMITS.text)}`);
		const { text } = decodeText(bytes, codec);
		texts.set(path, text);
		if (kind === 'page' && sources.page(text).cut) return leave(path, TOO_MANY);
		queue.push(path);
	};
	for (const { path, bytes } of entries) {
		const kind = (await kindByContent(bytes)) ?? (isText(bytes) ? byName(path) : null);
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
	return {
		kinds: entries.map(({ path, bytes }) => {
			const kind = kinds.get(path) ?? 'other';
			return { path, kind, ...measured(kind, bytes) };
		}),
		unread
	};
}
