import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodeText, encodingOf, encodeText, type Codec } from './index.ts';

const codec: Codec = {
	knows: (encoding) => ['utf-8', 'windows-1252', 'utf-16le', 'utf-16be'].includes(encoding),
	decode: (bytes, encoding) => new TextDecoder(encoding, { ignoreBOM: true }).decode(bytes),
	encode: (text, encoding) => {
		if (encoding === 'windows-1252') return Uint8Array.from(text, (char) => char.charCodeAt(0) & 0xff);
		if (encoding === 'utf-8') return new TextEncoder().encode(text);
		const units = Array.from(text, (char) => char.charCodeAt(0));
		return Uint8Array.from(
			units.flatMap((unit) => (encoding === 'utf-16le' ? [unit & 255, unit >> 8] : [unit >> 8, unit & 255]))
		);
	}
};

const bytes = (...parts: (string | number[])[]): Uint8Array =>
	Uint8Array.from(
		parts.flatMap((part) => (typeof part === 'string' ? [...new TextEncoder().encode(part)] : part))
	);

describe('texts of files', () => {
	it('are decoded to LF, with encoding, BOM and line ends told', () => {
		expect(decodeText(bytes([0xef, 0xbb, 0xbf], 'a\r\nb\nc\r\n'), codec)).toEqual({
			text: 'a\nb\nc\n',
			encoding: 'utf-8',
			bom: true,
			lineEnd: '\r\n'
		});
		expect(decodeText(bytes('@charset "windows-1252";\ra', [0xe9]), codec)).toMatchObject({
			text: '@charset "windows-1252";\naé',
			encoding: 'windows-1252',
			lineEnd: '\r'
		});
		expect(decodeText(bytes('<meta charset=latin1>', [0xe9]), codec)).toMatchObject({
			encoding: 'windows-1252'
		});
		// A declaration inside a comment does not count.
		expect(encodingOf(bytes('<!-- <meta charset=utf-8> --><meta charset=latin1>'), codec)).toBe(
			'windows-1252'
		);
		expect(decodeText(bytes([0xff, 0xfe, 0x61, 0, 0x0a, 0, 0x62, 0]), codec)).toMatchObject({
			text: 'a\nb',
			encoding: 'utf-16le'
		});
	});

	const line = fc.array(fc.constantFrom('a', 'é', ' ', '{', '\u{1F6A2}', 'bad'), { maxLength: 5 });
	const end = fc.constantFrom('\n', '\r\n', '\r');
	const file = fc
		.tuple(fc.boolean(), fc.array(fc.tuple(line, end), { minLength: 1, maxLength: 8 }), line)
		.map(([bom, lines, last]) =>
			bytes(
				bom ? [0xef, 0xbb, 0xbf] : '',
				...[...lines, [last, ''] as const].flatMap(([parts, close]) => [
					...parts.map((part) => (part === 'bad' ? [0xc3] : part)),
					close
				])
			)
		);

	it('unedited, come out byte for byte, invalid bytes and mixed line ends too', () => {
		fc.assert(
			fc.property(file, (original) => {
				const { text } = decodeText(original, codec);
				expect([...encodeText(text, original, codec)]).toEqual([...original]);
			})
		);
	});

	it('edited, keep the bytes of every other line', () => {
		const original = bytes([0xef, 0xbb, 0xbf], 'one\r\ntwo', [0xc3], '\nthree\rfour');
		const { text } = decodeText(original, codec);
		const edited = encodeText(text.replace('three', 'drei\nneu'), original, codec);
		expect([...edited]).toEqual([...bytes([0xef, 0xbb, 0xbf], 'one\r\ntwo', [0xc3], '\ndrei\nneu\nfour')]);
		const longer = encodeText(`${text}\nfive`, original, codec);
		expect([...longer.slice(-9)]).toEqual([...bytes('four\rfive')]);
	});

	it('keep the bytes of every other piece of a line, where a file is written by pieces', () => {
		const original = bytes('a{b:', [0xc3], ';c:d;e:f}\r\ng{h:', [0xe9], ';}');
		const { text } = decodeText(original, codec);
		const write = (edited: string): number[] => [...encodeText(edited, original, codec, 'line or ;')];
		expect(write(text)).toEqual([...original]);
		expect(write(text.replace('c:d;', 'c:e;i:j;'))).toEqual([
			...bytes('a{b:', [0xc3], ';c:e;i:j;e:f}\r\ng{h:', [0xe9], ';}')
		]);
	});
});
