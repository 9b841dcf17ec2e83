import { propertiesSet, verdictOf, type Candidate } from '../core/cascade/index.ts';
import type { DeclarationRequest } from '../core/css/edit/index.ts';
import { findingOf } from '../core/findings/index.ts';
import { shiftOf, type KindSetting } from '../core/findings/settings.ts';
import { isWithin, printPaths, readPath, type ElementPath } from '../core/html/index.ts';
import { blanked } from '../core/text/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { FindingRow } from './findings.ts';
import { lineageOf } from './lineage.ts';
import type { InquiredPage } from './page.ts';
import type { Layout } from './layout.ts';

/** A declaration without which something is not so, or is clearly less. */
export interface Blame {
	readonly from: Candidate;
	/** How much of it there is without it, and how much there is with it: over 0 it is still there. */
	readonly left: number;
	readonly of: number;
	/** The element on which it decides. */
	readonly path: ElementPath;
}

/** A page on which declarations are tried: as what it is swept, and where it is laid out. */
export interface Trial {
	readonly page: InquiredPage;
	readonly layout: Layout;
	readonly as: SeenVantage;
	/** Which kinds of finding the site has on, and their limits. */
	readonly settings: readonly KindSetting[];
}

/** What moves no box and no line. */
const PAINT =
	/^(color|background.*|cursor|outline.*|.*-color|.*-shadow|text-decoration.*|transition.*|animation.*|fill|stroke.*|caret.*|will-change|pointer-events|user-select)$/;
/** What is left of a finding where it is clearly less. */
const LESS = 0.9;
/** So many declarations are tried at most. */
const MOST = 60;

/** Declarations that decide on an element and all around it, at a width: its own first. */
async function deciding({ page, layout, as }: Trial, path: ElementPath, width: number): Promise<Blame[][]> {
	const lineage = await lineageOf(page, layout, path, { ...as, width });
	return lineage.at(width).map((of, up) => {
		const found = [...propertiesSet(of)].flatMap((property) => {
			const { winner } = verdictOf(property, of);
			return winner && winner.attribute === null && !PAINT.test(winner.property) ? [winner] : [];
		});
		const places = new Map(found.map((one) => [`${one.file} ${one.span.start}`, one]));
		return [...places.values()].map((from) => ({ from, path: lineage.path(up), left: 0, of: 0 }));
	});
}

/** The page with something else in the place of a declaration: by default nothing. */
function changed({ page }: Trial, { file, span }: Candidate, beside?: string): InquiredPage {
	const at = (offset: number): number => (file === page.path ? page.inFile(file, offset) : offset);
	const [start, end] = [at(span.start), at(span.end)];
	return page.changed(file, (text) =>
		beside === undefined
			? blanked(text, [{ start, end }])
			: `${text.slice(0, end)}; ${beside}${text.slice(end)}`
	);
}

/** How much there is of a finding on a page, in its kind's unit beyond its limit; over 0 it is there. */
export type AmountOn = (
	page: InquiredPage,
	/** Where an element of the page as it is stands on that one. */
	moved?: (path: ElementPath) => ElementPath
) => Promise<number>;

/**
 * How much there is of a finding at its worst width, in real layout of pages that are changed. What reaches too far may do
 * so on another element then, in it or around it: that is still the same finding, unless it was there beside it before.
 */
export async function amountOn(
	{ page, layout, as, settings }: Trial,
	{ key, kind, paths, worst }: FindingRow,
	signal: AbortSignal
): Promise<AmountOn> {
	const shift = shiftOf(key, settings) ?? 0;
	const [path = []] = paths;
	/** What there is of it on a page, by its paths; undefined where that could not be laid out. */
	async function read(
		of: InquiredPage
	): Promise<readonly { readonly at: readonly ElementPath[]; readonly by: number }[] | undefined> {
		const job = { page: of, as, about: {}, widths: [worst], priority: 1, signal };
		for await (const { readings } of layout.read(job)) {
			return [...readings].flatMap(([one, value]) => {
				const found = findingOf(one);
				if (found?.kind.name !== kind.name || typeof value !== 'number') return [];
				return { at: found.paths.map(readPath), by: value + shift };
			});
		}
		return undefined;
	}
	const beside = ((await read(page)) ?? []).filter(
		({ at, by }) => by > 0 && printPaths(at) !== printPaths(paths)
	);
	return async (of, moved = (same) => same) => {
		const now = moved(path);
		const own = printPaths(paths.map(moved));
		const known = new Set(beside.map(({ at }) => printPaths(at.map(moved))));
		const found = await read(of);
		const all = (found ?? []).flatMap(({ at, by }) => {
			const [first = []] = at;
			const isKin = kind.overflows === true && (isWithin(first, now) || isWithin(now, first));
			return printPaths(at) === own || (isKin && !known.has(printPaths(at))) ? [by] : [];
		});
		return signal.aborted || !found ? NaN : Math.max(-Infinity, ...all);
	};
}

const keyOf = ({ from }: Blame): string => `${from.file} ${from.span.start}`;

/** What is to be explained by declarations. */
export interface Effect {
	/** The elements on which, and on all around which, they decide. */
	readonly paths: readonly ElementPath[];
	/** The widths at which they do, CSS px. */
	readonly widths: readonly number[];
	/** How much of it there is on a page, in real layout; over 0 it is there. */
	readonly amount: (page: InquiredPage) => Promise<number>;
	/** Whether only what does not decide at all of the widths can be it. */
	readonly flips?: boolean;
}

/**
 * The declarations to blame for something: those of the nearest element, from its own outwards, without one of which it
 * is not so; where there is none, the one without which there is least of it, if that is clearly less. None where no
 * single one makes so much of it.
 */
export async function blameOf(
	swept: Trial,
	{ paths, widths, amount, flips = false }: Effect,
	signal: AbortSignal
): Promise<Blame[]> {
	// The text may have gone on since it was seen.
	const all = await amount(swept.page);
	if (!(all > 0)) return [];
	let least: Blame | undefined;
	const each = await Promise.all(
		paths.flatMap((path) => widths.map((width) => deciding(swept, path, width)))
	);
	/** How often each decides; what decides at every width is taken as tried where it cannot be it. */
	const times = new Map<string, number>();
	for (const blame of each.flat(2)) times.set(keyOf(blame), (times.get(keyOf(blame)) ?? 0) + 1);
	const tried = new Set(flips ? [...times].flatMap(([key, count]) => (count < each.length ? [] : key)) : []);
	const most = tried.size + MOST;
	for (let up = 0; up < Math.max(...each.map(({ length }) => length)); up++) {
		const found: Blame[] = [];
		for (const blame of each.flatMap((one) => one[up] ?? [])) {
			if (signal.aborted || tried.size >= most || tried.has(keyOf(blame))) continue;
			tried.add(keyOf(blame));
			const left = await amount(changed(swept, blame.from));
			if (left <= 0) found.push({ ...blame, left, of: all });
			else if (left <= Math.min(LESS * all, least?.left ?? all)) least = { ...blame, left, of: all };
		}
		if (found.length > 0) return found;
	}
	return least ? [least] : [];
}

/** The declarations to blame for a finding at its worst width. */
export const blameFor = (
	swept: Trial,
	{ paths, worst }: FindingRow,
	amount: AmountOn,
	signal: AbortSignal
): Promise<Blame[]> => blameOf(swept, { paths, widths: [worst], amount: (page) => amount(page) }, signal);

/** What a kind has as a remedy that does mend a finding, beside the declaration to blame; undefined where nothing does. */
export async function remedyFor(
	swept: Trial,
	row: FindingRow,
	amount: AmountOn,
	{ from }: Blame,
	signal: AbortSignal
): Promise<DeclarationRequest | undefined> {
	for (const { property, value } of row.kind.remedies ?? []) {
		if (signal.aborted) return undefined;
		if ((await amount(changed(swept, from, `${property}: ${value}`))) <= 0) return { property, value };
	}
	return undefined;
}
