/** A picture offered by an `<img>` or `<source>`. */
export interface Candidate {
	readonly address: string;
	/** Its width in px (`300w`), or its device pixels per CSS px (`2x`); without either it counts as `1x`. */
	readonly width?: number;
	readonly density?: number;
}

const WIDTH = /^\d+w$/;
const DENSITY = /^-?(?:\d+|\d*\.\d+)(?:e[+-]?\d+)?x$/i;

/** Descriptors of a candidate as numbers; undefined where they are invalid, so that the candidate does not count. */
function described(address: string, descriptors: readonly string[]): Candidate | undefined {
	const [first, ...more] = descriptors.filter((one) => !/^\d+h$/.test(one));
	if (first === undefined) return descriptors.length === 0 ? { address } : undefined;
	const value = parseFloat(first);
	if (more.length > 0 || value < 0) return undefined;
	if (WIDTH.test(first)) return value > 0 ? { address, width: value } : undefined;
	return DENSITY.test(first) && descriptors.length === 1 ? { address, density: value } : undefined;
}

/** Splits at what matches outside of parentheses. */
function splitOutside(text: string, at: RegExp): string[] {
	const parts = [''];
	let depth = 0;
	for (const char of text) {
		if (char === '(') depth++;
		if (char === ')') depth--;
		if (depth <= 0 && at.test(char)) parts.push('');
		else parts[parts.length - 1] += char;
	}
	return parts;
}

/** The pictures offered by a `srcset`, in order, without those with invalid descriptors (HTML §4.8.4.3.8). */
export function srcsetCandidates(srcset: string): Candidate[] {
	const found: Candidate[] = [];
	let rest = srcset;
	for (;;) {
		rest = rest.replace(/^[\s,]+/, '');
		const url = /^\S+/.exec(rest)?.[0];
		if (url === undefined) return found;
		rest = rest.slice(url.length);
		const address = url.replace(/,+$/, '');
		let descriptors: string[] = [];
		if (address === url) {
			const [own = ''] = splitOutside(rest, /,/);
			rest = rest.slice(own.length);
			descriptors = splitOutside(own.trim(), /\s/).filter((one) => one !== '');
		}
		const candidate = described(address, descriptors);
		if (candidate) found.push(candidate);
	}
}

/** An entry of a `sizes` attribute: where its condition holds, pictures have its length as width. */
export interface SourceSize {
	/** Empty for the last one, which always holds. */
	readonly condition: string;
	readonly length: string;
}

/** Where the last component value of an entry begins: a word, or a function with its name. */
function lastValue(entry: string): number {
	let depth = 0;
	let at = entry.length - 1;
	for (; at >= 0; at--) {
		const char = entry.charAt(at);
		const ends = depth === 0 && (/\s/.test(char) || (char === ')' && at < entry.length - 1));
		if (ends) break;
		depth += char === ')' ? 1 : char === '(' ? -1 : 0;
	}
	return at + 1;
}

/** The entries of a `sizes` attribute (HTML §4.8.4.2.2): each ends with the length, as its last component value. */
export const sourceSizes = (sizes: string): SourceSize[] =>
	splitOutside(sizes, /,/)
		.map((entry) => entry.trim())
		.filter((entry) => entry !== '')
		.map((entry) => {
			const from = lastValue(entry);
			return { condition: entry.slice(0, from).trim(), length: entry.slice(from) };
		});

/**
 * The picture that a page takes, as engines choose (HTML §4.8.4.3.7 leaves it to them): the least dense that is as dense
 * as the screen, the densest where none is; or the densest of those beyond it that need not be fetched.
 *
 * @param density device pixels of the screen for a CSS px
 * @param size width of the picture on the page by its `sizes`, CSS px, more than 0
 */
export function chosenCandidate(
	candidates: readonly Candidate[],
	density: number,
	size: number
): Candidate | undefined {
	const densityOf = ({ width, density = 1 }: Candidate): number =>
		width === undefined ? density : width / size;
	const sorted = [...candidates].sort((a, b) => densityOf(a) - densityOf(b));
	const distinct = sorted.filter((one, i) => {
		const before = sorted[i - 1];
		return !before || densityOf(before) !== densityOf(one);
	});
	const enough = distinct.findIndex((one) => densityOf(one) >= density);
	if (enough < 0) return distinct.at(-1);
	return distinct.slice(enough + 1).findLast(({ address }) => /^data:/i.test(address)) ?? distinct[enough];
}
