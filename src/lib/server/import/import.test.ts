import { zipSync, type Zippable } from 'fflate';
import { describe, expect, it } from 'vitest';
import { bring as bringWith, type Brought } from './index.ts';
import { sortFiles } from './kinds.ts';
import type { Entry } from './entry.ts';

const MB = 1024 * 1024;
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const PAGE = bytes('<!doctype html><link rel=stylesheet href="look"><img src="p">');

/** Read in this thread: the other one is built later. */
const bring = (given: readonly Entry[]): Promise<Brought> => bringWith(given, (_, files) => sortFiles(files));
const zipped = (files: Zippable): Promise<Brought> => bring([{ path: 'site.zip', bytes: zipSync(files) }]);
const reasons = ({ refused }: Brought): Record<string, string> =>
	Object.fromEntries(refused.map(({ path, reason }) => [path, reason]));
const kinds = ({ files }: Brought): Record<string, string> =>
	Object.fromEntries(files.map(({ path, kind }) => [path, kind]));

/** The zip with one field of one entry's place in the directory overwritten. */
function tampered(files: Zippable, name: string, field: number, value: number): Uint8Array {
	const zip = zipSync(files);
	const view = new DataView(zip.buffer);
	for (let at = 0; at + 46 < zip.length; at++) {
		if (view.getUint32(at, true) !== 0x02014b50) continue;
		const length = view.getUint16(at + 28, true);
		if (new TextDecoder().decode(zip.subarray(at + 46, at + 46 + length)) === name)
			view.setUint32(at + field, value, true);
	}
	return zip;
}

const UNCOMPRESSED = 24;

describe('bringing files in', () => {
	it('tells kinds by content and by who asks, not by name alone', async () => {
		const brought = await zipped({
			'old/page.txt': PAGE,
			'old/look': bytes('@import "more"; a { b: c }'),
			'old/more': bytes('p { q: r }'),
			'old/p': Uint8Array.from([
				0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0x49, 0x48, 0x44, 0x52, 0, 0, 0, 7, 0, 0,
				0, 5, 8, 2, 0, 0, 0
			]),
			'old/type.woff2': bytes('wOF2\0\x01\0\0'),
			'old/film.bin': bytes('\0\0\0\x18ftypmp42'),
			'old/drawing.dat': bytes(
				'<?xml version="1.0"?><!-- x --><svg xmlns="http://www.w3.org/2000/svg" width="3" height="4"/>'
			),
			'old/spare.css': bytes('x { y: z }'),
			'old/data.json': bytes('{}'),
			'old/inner.zip': zipSync({ 'x.html': PAGE })
		});
		expect(brought.root).toBe('old/');
		expect(brought.name).toBe('old');
		expect(kinds(brought)).toEqual({
			'page.txt': 'page',
			look: 'sheet',
			more: 'sheet',
			p: 'picture',
			'type.woff2': 'font',
			'film.bin': 'film',
			'drawing.dat': 'picture',
			'spare.css': 'sheet',
			'data.json': 'other',
			'inner.zip': 'other'
		});
		expect(brought.files.find(({ path }) => path === 'p')).toMatchObject({ width: 7, height: 5 });
	});

	it('takes a single page, and a page saved whole with its folder', async () => {
		expect(kinds(await bring([{ path: 'page.html', bytes: PAGE }]))).toEqual({ 'page.html': 'page' });
		const saved = await bring([
			{ path: 'A page.html', bytes: bytes('<html><link rel=stylesheet href="./A%20page_files/s.php">') },
			{ path: 'A page_files/s.php', bytes: bytes('a { b: c }') }
		]);
		expect(kinds(saved)).toEqual({ 'A page.html': 'page', 'A page_files/s.php': 'sheet' });
		expect(saved.name).toBe('A page');
	});

	it('refuses by name what climbs out, links, or is encrypted, and keeps the good rest', async () => {
		const brought = await zipped({
			'index.html': PAGE,
			'../out.css': bytes('x'),
			'/root.css': bytes('x'),
			'c:/disk.css': bytes('x'),
			'link.css': [bytes('/etc/passwd'), { os: 3, attrs: 0o120777 << 16 }],
			'.DS_Store': bytes('x')
		});
		expect(reasons(brought)).toEqual({
			'../out.css': 'its path climbs out of the site',
			'/root.css': 'its path begins at the root of a disk',
			'c:/disk.css': 'its path begins at the root of a disk',
			'link.css': 'it is a link to another file'
		});
		expect(Object.keys(kinds(brought))).toEqual(['index.html']);
		const locked = await bring([
			{ path: 'a.zip', bytes: tampered({ 'index.html': PAGE, 'b.css': bytes('x') }, 'b.css', 6, 0x10014) }
		]);
		expect(reasons(locked)).toEqual({ 'b.css': 'it is encrypted' });
	});

	it('holds to its limits, with a sentence for each', async () => {
		const large = new Uint8Array(33 * MB);
		expect(reasons(await zipped({ 'index.html': PAGE, 'big.bin': large }))).toEqual({
			'big.bin': 'it is larger than 32 MB'
		});
		const many = Object.fromEntries(Array.from({ length: 2001 }, (_, i) => [`f${i}.txt`, bytes('x')]));
		expect(reasons(await zipped({ 'a.html': PAGE, ...many }))).toEqual({
			'f1999.txt': 'a site may have 2,000 files',
			'f2000.txt': 'a site may have 2,000 files'
		});
		const much = Object.fromEntries(
			Array.from({ length: 9 }, (_, i) => [`m${i}.bin`, new Uint8Array(30 * MB)])
		);
		expect(reasons(await zipped({ 'a.html': PAGE, ...much }))).toEqual({
			'm8.bin': 'a site may have 256 MB unpacked'
		});
	}, 60_000);

	it('is not fooled by a zip that lies about sizes', async () => {
		const zip = tampered(
			{ 'index.html': PAGE, 'bomb.css': new Uint8Array(40 * MB) },
			'bomb.css',
			UNCOMPRESSED,
			1000
		);
		const brought = await bring([{ path: 'a.zip', bytes: zip }]);
		expect(reasons(brought)['bomb.css']).toMatch(/^it cannot be unpacked/);
		expect(Object.keys(kinds(brought))).toEqual(['index.html']);
	});

	it('keeps what can be read of a damaged zip, and refuses a broken one', async () => {
		const zip = zipSync({ 'index.html': PAGE, 'a.css': bytes('a { b: c }'.repeat(50)) });
		const at = Buffer.from(zip).indexOf('a.css') + 10;
		zip.fill(0xff, at, at + 8);
		const brought = await bring([{ path: 'a.zip', bytes: zip }]);
		expect(reasons(brought)['a.css']).toMatch(/^it cannot be unpacked/);
		await expect(bring([{ path: 'a.zip', bytes: zip.subarray(0, 60) }])).rejects.toThrow(
			/^The zip cannot be read .*; nothing was imported\.$/
		);
		await expect(bring([{ path: 'a.css', bytes: bytes('x') }])).rejects.toThrow(
			'No HTML page was found among 1 file; nothing was imported.'
		);
	});

	it('keeps what is beyond the bounds of reading as a file like any other, and says so', async () => {
		const brought = await zipped({
			'index.html': PAGE,
			look: bytes('a { b: c }'),
			'many.html': bytes(`<!doctype html>${'<p>'.repeat(200_001)}`),
			'deep.html': bytes(`<!doctype html>${'<div>'.repeat(2000)}`),
			'long.css': new Uint8Array(9 * MB).fill(32)
		});
		expect(kinds(brought)).toMatchObject({
			'many.html': 'other',
			'deep.html': 'other',
			'long.css': 'other',
			look: 'sheet'
		});
		const many = 'kept, but not read: a page may have 200,000 elements, 1,024 within one another';
		expect(reasons(brought)).toEqual({
			'many.html': many,
			'deep.html': many,
			'long.css': 'kept, but not read: a sheet may have 8 MB'
		});
	});

	it('names a wrong checksum, and names that differ by case or normal form alone', async () => {
		const one = await bring([
			{ path: 'a.zip', bytes: tampered({ 'index.html': PAGE, 'b.css': bytes('x') }, 'b.css', 16, 7) }
		]);
		expect(reasons(one)).toEqual({ 'b.css': 'its checksum is wrong: it is damaged' });
		const two = await zipped({
			'index.html': PAGE,
			'Look.css': bytes('a'),
			'look.css': bytes('b'),
			'e\u0301.css': bytes('c'),
			'\u00e9.css': bytes('d')
		});
		expect(Object.keys(kinds(two))).toHaveLength(5);
		expect(reasons(two)).toEqual({
			'look.css': 'kept, but some disks take its name for that of Look.css',
			'\u00e9.css': 'kept, but some disks take its name for that of e\u0301.css'
		});
	});

	it('loses nothing else to an entry that cannot be read', async () => {
		const files = { 'index.html': PAGE, 'a.css': bytes('a'), 'b.css': bytes('b'), 'c.css': bytes('c') };
		// Strong encryption; sizes that differ though nothing is packed; a signature that is none.
		const stored = Object.fromEntries(
			Object.entries(files).map(([name, content]) => [name, [content, { level: 0 }] as const])
		);
		for (const zip of [
			tampered(files, 'b.css', 6, 0x400014),
			tampered(stored as unknown as Zippable, 'b.css', UNCOMPRESSED, 9),
			tampered(files, 'b.css', 0, 7)
		]) {
			const brought = await bring([{ path: 'a.zip', bytes: zip }]);
			expect(Object.keys(kinds(brought)).sort()).toEqual(['a.css', 'c.css', 'index.html']);
			expect(brought.refused).toHaveLength(1);
		}
	});
});
