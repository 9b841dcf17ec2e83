import { sharedLines } from './sharedLines.ts';

/**
 * A file's bytes as an LF text that can be edited and written back without changing a byte of the other lines:
 * neither their line ends, nor bytes that are not valid text, nor the BOM.
 */
export interface DecodedText {
	/** With LF line ends and without a BOM. */
	readonly text: string;
	readonly encoding: string;
	readonly bom: boolean;
	/** The most common line end. */
	readonly lineEnd: '\n' | '\r\n' | '\r';
}

/** Converts bytes to text and back, by the name of an encoding (Encoding Standard §4.2). */
export interface Codec {
	readonly knows: (encoding: string) => boolean;
	readonly decode: (bytes: Uint8Array, encoding: string) => string;
	readonly encode: (text: string, encoding: string) => Uint8Array;
}

/** The half of a codec needed for reading. */
export type Decoder = Pick<Codec, 'knows' | 'decode'>;

interface Line {
	/** Without its end. */
	readonly body: Uint8Array;
	readonly end: Uint8Array;
}

const LF = 0x0a;
const CR = 0x0d;
const SEMICOLON = 0x3b;
const NO_END = new Uint8Array(0);

const startsWith = (bytes: Uint8Array, ...lead: number[]): boolean =>
	lead.every((byte, i) => bytes[i] === byte);

function bomOf(bytes: Uint8Array): { encoding: string; length: number } | null {
	if (startsWith(bytes, 0xef, 0xbb, 0xbf)) return { encoding: 'utf-8', length: 3 };
	if (startsWith(bytes, 0xfe, 0xff)) return { encoding: 'utf-16be', length: 2 };
	if (startsWith(bytes, 0xff, 0xfe)) return { encoding: 'utf-16le', length: 2 };
	return null;
}

/** Labels that mean windows-1252 (Encoding Standard §4.2). */
const LATIN = new Set(['iso-8859-1', 'iso8859-1', 'latin1', 'l1', 'us-ascii', 'ascii', 'cp1252', 'x-cp1252']);

/**
 * The encoding that a file declares: a BOM, otherwise `@charset` or `<meta charset>`, otherwise UTF-8 (CSS Syntax 3
 * §3.2, HTML §13.2.3).
 */
export function encodingOf(bytes: Uint8Array, codec: Pick<Codec, 'knows'>): string {
	const bom = bomOf(bytes);
	if (bom) return bom.encoding;
	const head = String.fromCharCode(...bytes.subarray(0, 1024));
	const named =
		/^@charset "([^"]+)";/.exec(head)?.[1] ??
		/<meta[^>]+charset\s*=\s*["']?\s*([^"'\s/>;]+)/i.exec(head.replace(/<!--[\s\S]*?(-->|$)/g, ''))?.[1] ??
		'utf-8';
	const encoding = LATIN.has(named.toLowerCase()) ? 'windows-1252' : named.toLowerCase();
	return /^utf-?16/.test(encoding) || !codec.knows(encoding) ? 'utf-8' : encoding;
}

/** Where the pieces of a text end that are compared one by one: at line ends, or at every `;` too. */
export type PieceEnd = 'line' | 'line or ;';

/** The pieces of the bytes. Neither line ends nor `;` are part of other characters in the supported encodings. */
function linesOf(bytes: Uint8Array, encoding: string, ends: PieceEnd): Line[] {
	const wide = encoding === 'utf-16le' || encoding === 'utf-16be';
	const size = wide ? 2 : 1;
	const unit = (i: number): number => {
		if (!wide) return bytes[i] ?? -1;
		if (i + 1 >= bytes.length) return -1;
		const [a, b] = [bytes[i] as number, bytes[i + 1] as number];
		return encoding === 'utf-16le' ? a | (b << 8) : (a << 8) | b;
	};
	const lines: Line[] = [];
	let from = 0;
	for (let i = 0; i < bytes.length; i += size) {
		const code = unit(i);
		if (code === SEMICOLON && ends !== 'line' && ![LF, CR, -1].includes(unit(i + size))) {
			lines.push({ body: bytes.subarray(from, i + size), end: NO_END });
			from = i + size;
			continue;
		}
		if (code !== LF && code !== CR) continue;
		const after = i + (code === CR && unit(i + size) === LF ? 2 * size : size);
		lines.push({ body: bytes.subarray(from, i), end: bytes.subarray(i, after) });
		from = after;
		i = after - size;
	}
	lines.push({ body: bytes.subarray(from), end: NO_END });
	return lines;
}

function split(bytes: Uint8Array, encoding: string, ends: PieceEnd): { bom: Uint8Array; lines: Line[] } {
	const length = bomOf(bytes)?.length ?? 0;
	return { bom: bytes.subarray(0, length), lines: linesOf(bytes.subarray(length), encoding, ends) };
}

const LINE_ENDS = ['\n', '\r\n', '\r'] as const;

/** A file's bytes as text. */
export function decodeText(bytes: Uint8Array, codec: Decoder): DecodedText {
	const encoding = encodingOf(bytes, codec);
	const bom = bomOf(bytes)?.length ?? 0;
	const whole = codec.decode(bytes.subarray(bom), encoding);
	const counts = new Map<string, number>();
	const text = whole.replace(/\r\n?|\n/g, (end) => {
		counts.set(end, (counts.get(end) ?? 0) + 1);
		return '\n';
	});
	const lineEnd = LINE_ENDS.reduce((best, end) =>
		(counts.get(end) ?? 0) > (counts.get(best) ?? 0) ? end : best
	);
	return { text, encoding, bom: bom > 0, lineEnd };
}

/**
 * The bytes of an edited text: each line (with `ends`, each piece of one) that the original also has keeps its
 * original bytes and line end; every other is written in the original's encoding with the line end of the previous
 * line.
 */
export function encodeText(
	text: string,
	original: Uint8Array,
	codec: Codec,
	ends: PieceEnd = 'line'
): Uint8Array {
	const encoding = encodingOf(original, codec);
	const { bom, lines } = split(original, encoding, ends);
	const { lineEnd } = decodeText(original, codec);
	const before = lines.map(({ body }) => codec.decode(body, encoding));
	/** The last of these pieces ends at its line's end. */
	const piecesOf = (line: string): string[] => (ends === 'line' ? [line] : line.split(/(?<=;)/));
	const pieces = text
		.split('\n')
		.flatMap((line) => piecesOf(line).map((body, i, all) => ({ body, isLast: i === all.length - 1 })));
	const after = pieces.map(({ body }) => body);
	const kept = new Map<number, Line>();
	for (const run of sharedLines(before, after)) {
		for (let i = 0; i < run.count; i++) kept.set(run.after + i, lines[run.before + i] as Line);
	}
	const parts: Uint8Array[] = [bom];
	let end = lines[0]?.end.length ? (lines[0]?.end as Uint8Array) : codec.encode(lineEnd, encoding);
	pieces.forEach(({ body, isLast }, i) => {
		const line = kept.get(i);
		parts.push(line ? line.body : codec.encode(body, encoding));
		if (line && line.end.length > 0) end = line.end;
		if (isLast && i < pieces.length - 1) parts.push(end);
	});
	const bytes = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
	let at = 0;
	for (const part of parts) {
		bytes.set(part, at);
		at += part.length;
	}
	return bytes;
}
