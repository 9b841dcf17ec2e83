import { messageOf } from '$lib/core/text/index.ts';
import { fromBufferPromise, type Entry as ZipEntry, type ZipFile } from 'yauzl';
import { Problem } from '../problem.ts';
import { collector, isLitter } from './entry.ts';
import { LIMITS, megabytes } from './limits.ts';

type Collector = ReturnType<typeof collector>;

/** The files of a zip. A zip that cannot be read at all is a problem; a bad entry is refused by name and the rest kept. */
export async function unzip(bytes: Uint8Array, into: Collector): Promise<void> {
	let zip: ZipFile;
	try {
		zip = await fromBufferPromise(Buffer.from(bytes), { decodeStrings: false, lazyEntries: true });
	} catch (error) {
		throw new Problem(400, `The zip cannot be read (${messageOf(error)}); nothing was taken in.`);
	}
	await new Promise<void>((resolve) => {
		zip.on('error', (error: unknown) => {
			into.refuse('(the rest of the zip)', `the zip is broken: ${messageOf(error)}`);
			resolve();
		});
		zip.on('end', () => resolve());
		zip.on('entry', (entry: ZipEntry) => {
			void readEntry(zip, entry, into).then(() => zip.readEntry());
		});
		zip.readEntry();
	});
}

const UTF8_NAME = 0x800;
const ENCRYPTED = 0x1;
const LINK = 0o120000;

function nameOf(entry: ZipEntry): string {
	const raw = entry.fileName as unknown as Buffer;
	const name = entry.generalPurposeBitFlag & UTF8_NAME ? raw.toString('utf8') : decodeUnmarked(raw);
	return name.replaceAll('\\', '/').replace(/^\.\//, '');
}

/** Most tools write UTF-8 without saying so; what is not valid UTF-8 is read byte by byte. */
function decodeUnmarked(raw: Buffer): string {
	const text = raw.toString('utf8');
	return text.includes('\uFFFD') ? raw.toString('latin1') : text;
}

async function readEntry(zip: ZipFile, entry: ZipEntry, into: Collector): Promise<void> {
	const path = nameOf(entry);
	if (isLitter(path)) return;
	const mode = (entry.externalFileAttributes >>> 16) & 0o170000;
	if (mode === LINK) return into.refuse(path, 'it is a link to another file');
	if (entry.generalPurposeBitFlag & ENCRYPTED) return into.refuse(path, 'it is encrypted');
	const reason = into.refusal(path, entry.uncompressedSize);
	if (reason) return into.refuse(path, reason);
	try {
		const stream = await zip.openReadStreamPromise(entry);
		const parts: Buffer[] = [];
		let size = 0;
		for await (const part of stream as AsyncIterable<Buffer>) {
			size += part.length;
			if (size > LIMITS.file) throw new Error(`it unpacks to more than ${megabytes(LIMITS.file)}`);
			parts.push(part);
		}
		into.take(path, Buffer.concat(parts));
	} catch (error) {
		into.refuse(path, `it cannot be unpacked: ${messageOf(error)}`);
	}
}
