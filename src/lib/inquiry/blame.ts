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

/** A declaration whose removal fixes something, or clearly reduces it. */
export interface Blame {
	readonly from: Candidate;
	/** How much remains without it, and how much there is with it: above 0 the fault persists. */
	readonly left: number;
	readonly of: number;
	/** The element on which it decides. */
	readonly path: ElementPath;
}

/** The page on which removals are tried: the vantage of the sweep, and where it is laid out. */
export interface Trial {
	readonly page: InquiredPage;
	readonly layout: Layout;
	readonly as: SeenVantage;
	/** Which kinds of finding the site looks for, and their limits. */
	readonly settings: readonly KindSetting[];
}

/** Properties that move no box and no line. */
const PAINT =
	/^(color|background.*|cursor|outline.*|.*-color|.*-shadow|text-decoration.*|transition.*|animation.*|fill|stroke.*|caret.*|will-change|pointer-events|user-select)$/;
/** The fraction of a finding below which it counts as clearly reduced. */
const LESS = 0.9;
/** At most so many declarations are tried. */
const MOST = 60;

/** Declarations that decide on an element and all its ancestors, at a width: its own first. */
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

/** The page with a declaration replaced, by default by nothing. */
function changed({ page }: Trial, { file, span }: Candidate, beside?: string): InquiredPage {
	const at = (offset: number): number => (file === page.path ? page.inFile(file, offset) : offset);
	const [start, end] = [at(span.start), at(span.end)];
	return page.changed(file, (text) =>
		beside === undefined
			? blanked(text, [{ start, end }])
			: `${text.slice(0, end)}; ${beside}${text.slice(end)}`
	);
}

/** The severity of a finding on a page, in its kind's unit beyond its limit; above 0 it exists. */
export type AmountOn = (
	page: InquiredPage,
	/** The place on the changed page of an element of the present one. */
	moved?: (path: ElementPath) => ElementPath
) => Promise<number>;

/**
 * The severity of a finding at its worst width, in real layout of changed pages. After a change, another element,
 * inside or around the first, may be the one that reaches too far: that is still the same finding, unless it already
 * existed beside it.
 */
export async function amountOn(
	{ page, layout, as, settings }: Trial,
	{ key, kind, paths, worst }: FindingRow,
	signal: AbortSignal
): Promise<AmountOn> {
	const shift = shiftOf(key, settings) ?? 0;
	const [path = []] = paths;
	/** Its severity on a page, by the paths there; undefined where the page could not be laid out. */
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

/** Something that declarations are to explain. */
export interface Effect {
	/** The elements on which, and on whose ancestors, the declarations decide. */
	readonly paths: readonly ElementPath[];
	/** The widths at which they decide, CSS px. */
	readonly widths: readonly number[];
	/** How much of it there is on a page, in real layout; above 0 it exists. */
	readonly amount: (page: InquiredPage) => Promise<number>;
	/** Whether declarations that decide at every one of the widths are ruled out. */
	readonly flips?: boolean;
}

/**
 * The declarations to blame for something: those of the nearest element, starting with its own, of which removing any
 * one fixes it; failing that, the one whose removal reduces it the most, if clearly. None where no single declaration
 * accounts for that much.
 */
export async function blameOf(
	swept: Trial,
	{ paths, widths, amount, flips = false }: Effect,
	signal: AbortSignal
): Promise<Blame[]> {
	// The text may have changed since.
	const all = await amount(swept.page);
	if (!(all > 0)) return [];
	let least: Blame | undefined;
	const each = await Promise.all(
		paths.flatMap((path) => widths.map((width) => deciding(swept, path, width)))
	);
	/** How often each decides; declarations that decide at every width count as tried where they are ruled out. */
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

/** A remedy of its kind, besides the declaration to blame, that does fix a finding; undefined where none does. */
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
