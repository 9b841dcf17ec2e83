/** Where `i` is the first of a quote, the index of what ends its string: the quote, or what is before the line's end. */
function endOfString(text: string, i: number): number {
	const quote = text[i];
	for (let at = i + 1; at < text.length; at++) {
		const one = text[at];
		if (one === quote) return at;
		if (one === '\n') return at - 1;
		if (one === '\\') at++;
	}
	return text.length;
}

/** A name with an escape in it, straight before something. */
const ESCAPED_NAME = /\\(?:[0-9a-f]{1,6}\s?|[^\n])[-\w\u0080-\uffff\\]*$/i;
/** `url` as a name of its own. */
const URL_NAME = /(?:^|[^-\w\u0080-\uffff#@\\])url$/i;
const SPACE = /\s*/y;
/** An address without quotes that is all plain, and the bracket that ends it. */
const PLAIN_ADDRESS = /[^"'()\\\s]*\s*\)/y;

/**
 * What an opening bracket begins: `null` where that is not told here, the index of its end where it is that of an
 * address without quotes, else -1.
 */
function bracketAt(text: string, i: number): number | null {
	const before = text.slice(Math.max(0, i - 24), i);
	if (before.includes('\\') && ESCAPED_NAME.test(before)) return null;
	if (!/l$/i.test(before) || !URL_NAME.test(before)) return -1;
	SPACE.lastIndex = i + 1;
	SPACE.test(text);
	if (/["']/.test(text[SPACE.lastIndex] ?? '')) return -1;
	PLAIN_ADDRESS.lastIndex = SPACE.lastIndex;
	return PLAIN_ADDRESS.test(text) ? PLAIN_ADDRESS.lastIndex - 1 : null;
}

/** How long a part may become before it ends with the next block, UTF-16 units. */
const LONGEST = 8000;
/** One in so many blocks ends a part. */
const ONE_OF = 8;

/**
 * Whether a part ends with a block, decided by the block's own text: an edit elsewhere leaves the part unchanged.
 */
function ends(text: string, from: number, to: number): boolean {
	const step = Math.max(1, (to - from) >> 5);
	let sum = to - from;
	for (let i = from; i < to; i += step) sum = (Math.imul(sum, 31) + text.charCodeAt(i)) | 0;
	return (sum >>> 8) % ONE_OF === 0;
}

/** Where each top-level block of a text ends; null where that is hard to tell. */
function endsOfBlocks(text: string): number[] | null {
	// Other line ends are not handled here, nor a byte order mark.
	if (/[\r\f\0\ufeff\ufffe]/.test(text)) return null;
	const found: number[] = [];
	const open: number[] = [];
	for (let i = 0; i < text.length; i++) {
		const code = text.charCodeAt(i);
		switch (code) {
			case 0x22: // "
			case 0x27: // '
				i = endOfString(text, i);
				break;
			case 0x5c: // \
				i++;
				break;
			case 0x2f: // /
				if (text.charCodeAt(i + 1) !== 0x2a) break;
				i = text.indexOf('*/', i + 2) + 1;
				if (i === 0) return found;
				break;
			case 0x28: {
				const end = bracketAt(text, i);
				if (end === null) return null;
				if (end >= 0) i = end;
				else open.push(0x29);
				break;
			}
			case 0x5b: // [
			case 0x7b: // {
				open.push(code + 2);
				break;
			case 0x29: // )
			case 0x5d: // ]
			case 0x7d: // }
				if (open.at(-1) !== code) break;
				open.pop();
				if (code === 0x7d && open.length === 0) found.push(i + 1);
		}
	}
	return found;
}

/** The parts of a text, however short; null where they are hard to tell. */
export function partsIn(text: string): string[] | null {
	const blocks = endsOfBlocks(text);
	if (!blocks) return null;
	const parts: string[] = [];
	let [from, block] = [0, 0];
	for (const end of blocks) {
		if (end - from > LONGEST || ends(text, block, end)) {
			parts.push(text.slice(from, end));
			from = end;
		}
		block = end;
	}
	if (from < text.length) parts.push(text.slice(from));
	return parts;
}

/** Texts shorter than this are read whole just as fast, UTF-16 units. */
const LARGE = 4000;
/** Several callers ask about the same text, one after the other. */
let latest: { readonly text: string; readonly parts: readonly string[] } | undefined;

/**
 * The text of a sheet in parts that can be read one by one with the same result (CSS Syntax 3 §5.4.1): each is a few
 * top-level blocks. What was read of one part is kept while another is edited. There is a single part where the text
 * is short, or where parts are hard to tell (names with escapes before a bracket, odd addresses).
 */
export function partsOf(text: string): readonly string[] {
	if (text.length < LARGE) return [text];
	if (latest?.text !== text) latest = { text, parts: partsIn(text) ?? [text] };
	return latest.parts;
}

/** Where the part of a sheet begins that contains an offset: nothing before it is still open there. */
export function partStart(text: string, offset: number): number {
	let start = 0;
	// The last part may be open at its end.
	for (const { length } of partsOf(text).slice(0, -1)) {
		if (start + length > offset) break;
		start += length;
	}
	return start;
}
