import { crc32 } from 'node:zlib';
import { messageOf } from '$lib/core/text/index.ts';
import { fromBufferPromise, type Entry as ZipEntry, type ZipFile } from 'yauzl';
import { Problem } from '../problem.ts';
import { collector, isLitter } from './entry.ts';
import { LIMITS, megabytes } from './limits.ts';

type Collector = ReturnType<typeof collector>;

/** The state of reading a zip: yauzl's own members, missing from its types. */
interface Cursor {
	readEntryCursor: number;
	entriesRead: number;
}
const cursorOf = (zip: ZipFile): Cursor => zip as unknown as Cursor;

const open = (bytes: Buffer): Promise<ZipFile> =>
	fromBufferPromise(bytes, { decodeStrings: false, lazyEntries: true });

/** Each entry that can be read; where one cannot, resolves to the error and its position in the directory. */
const readAll = (
	zip: ZipFile,
	into: Collector
): Promise<{ readonly error: unknown; readonly at: number; readonly read: number } | null> =>
	new Promise((resolve) => {
		const cursor = cursorOf(zip);
		let [at, read] = [cursor.readEntryCursor, cursor.entriesRead];
		const next = (): void => {
			[at, read] = [cursor.readEntryCursor, cursor.entriesRead];
			zip.readEntry();
		};
		zip.on('error', (error: unknown) => resolve({ error, at, read }));
		zip.on('end', () => resolve(null));
		zip.on('entry', (entry: ZipEntry) => void readEntry(zip, entry, into).then(next));
		next();
	});

const HEADER = Buffer.from([0x50, 0x4b, 0x01, 0x02]);
/** Where a header of the directory has the length of the name, and the name itself (APPNOTE §4.3.12). */
const [NAME_LENGTH, NAME] = [28, 46];

/**
 * The files of a zip. A zip that cannot be read at all is a problem; a bad entry is refused by name and the rest
 * kept: reading continues at the next header of the directory.
 */
export async function unzip(given: Uint8Array, into: Collector): Promise<void> {
	const bytes = Buffer.from(given);
	let zip: ZipFile;
	try {
		zip = await open(bytes);
	} catch (error) {
		throw new Problem(400, `The zip cannot be read (${messageOf(error)}); nothing was imported.`);
	}
	for (;;) {
		const stopped = await readAll(zip, into);
		if (!stopped) return;
		const { error, at, read } = stopped;
		const named = bytes.subarray(at, at + 4).equals(HEADER);
		const name = named ? bytes.subarray(at + NAME, at + NAME + bytes.readUInt16LE(at + NAME_LENGTH)) : null;
		into.leaveOut(
			name ? decodeUnmarked(name) : `(entry ${read + 1} of the zip)`,
			`the zip is broken here: ${messageOf(error)}`
		);
		const next = bytes.indexOf(HEADER, at + 4);
		if (next < 0 || read + 1 >= zip.entryCount) return;
		zip = await open(bytes);
		Object.assign(cursorOf(zip), { readEntryCursor: next, entriesRead: read + 1 });
	}
}

const UTF8_NAME = 0x800;
const ENCRYPTED = 0x1;
const LINK = 0o120000;

function nameOf(entry: ZipEntry): string {
	const raw = entry.fileName as unknown as Buffer;
	const name = entry.generalPurposeBitFlag & UTF8_NAME ? raw.toString('utf8') : decodeUnmarked(raw);
	return name.replaceAll('\\', '/').replace(/^\.\//, '');
}

/** Most tools write UTF-8 without declaring it; invalid UTF-8 is read byte by byte. */
function decodeUnmarked(raw: Buffer): string {
	const text = raw.toString('utf8');
	return text.includes('\uFFFD') ? raw.toString('latin1') : text;
}

async function readEntry(zip: ZipFile, entry: ZipEntry, into: Collector): Promise<void> {
	const path = nameOf(entry);
	if (isLitter(path)) return;
	const mode = (entry.externalFileAttributes >>> 16) & 0o170000;
	if (mode === LINK) return into.leaveOut(path, 'it is a link to another file');
	if (entry.generalPurposeBitFlag & ENCRYPTED) return into.leaveOut(path, 'it is encrypted');
	const checked = into.check(path, entry.uncompressedSize);
	if (!checked.ok) return into.leaveOut(path, checked.sentence);
	try {
		const stream = await zip.openReadStreamPromise(entry);
		const parts: Buffer[] = [];
		let size = 0;
		for await (const part of stream as AsyncIterable<Buffer>) {
			size += part.length;
			if (size > LIMITS.file) throw new Error(`it unpacks to more than ${megabytes(LIMITS.file)}`);
			parts.push(part);
		}
		const bytes = Buffer.concat(parts);
		if (crc32(bytes) !== entry.crc32) return into.leaveOut(path, 'its checksum is wrong: it is damaged');
		into.take(path, bytes);
	} catch (error) {
		into.leaveOut(path, `it cannot be unpacked: ${messageOf(error)}`);
	}
}
