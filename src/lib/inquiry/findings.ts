import { findingOf, KINDS, neither, neitherHolds, SEVERITIES, type Kind } from '../core/findings/index.ts';
import { amountOf, meantGap, shiftOf, type Accepted, type KindSetting } from '../core/findings/settings.ts';
import {
	elementAt,
	nameOfElement,
	wordsIn,
	type ElementPath,
	type Page,
	readPath
} from '../core/html/index.ts';
import {
	difference,
	fromInterval,
	intersection,
	isEmpty,
	NOTHING,
	printInterval,
	union,
	type Interval,
	type IntervalSet
} from '../core/interval/index.ts';
import { widthsFrom } from '../core/interval/store.ts';
import type { MediaSite } from '../core/media/index.ts';
import type { Found } from '../core/sweep/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { InquiredPage } from './page.ts';
import type { FilePlace } from '../core/text/index.ts';

/** A finding as listed. */
export interface FindingRow {
	readonly key: string;
	readonly kind: Pick<Kind, 'name' | 'title' | 'severity' | 'standard' | 'limit' | 'remedies' | 'overflows'>;
	readonly paths: readonly ElementPath[];
	/** The names of its elements, without their text. */
	readonly names: readonly string[];
	readonly sentence: string;
	/** Where it is, except where it is accepted. */
	readonly widths: IntervalSet;
	readonly worst: number;
	readonly by: number;
	readonly exact: boolean;
	/** Where it is accepted, and why. */
	readonly accepted: readonly { readonly widths: IntervalSet; readonly reason: string }[];
	/** The gap that an edit can close, and the conditions on both sides of it. */
	readonly closes?: { readonly interval: Interval; readonly places: readonly FilePlace[] };
}

/** Findings of one kind about elements with the same name. */
export interface FindingGroup {
	readonly key: string;
	readonly rows: readonly FindingRow[];
	readonly widths: IntervalSet;
}

/** The order of findings. */
export const ORDERS = ['severity', 'kind', 'element'] as const;
export type Order = (typeof ORDERS)[number];

/** How much of an element's text is quoted, characters. */
const WORDS = 24;

function accept(row: FindingRow, page: string, accepted: readonly Accepted[]): FindingRow {
	const own = accepted.filter(
		(one) => one.page === page && one.key === row.key && one.names.join() === row.names.join()
	);
	const parts = own.flatMap(({ widths, reason }) => {
		const at = intersection(widthsFrom(widths), row.widths);
		return isEmpty(at) ? [] : [{ widths: at, reason }];
	});
	const left = parts.reduce((set, { widths }) => difference(set, widths), row.widths);
	return { ...row, widths: left, accepted: parts };
}

/** A finding and its names on its page; undefined for a kind that is switched off. */
export function tellFinding(
	page: Page,
	{ key, by, turns }: Pick<Found, 'key' | 'by' | 'turns'>,
	settings: readonly KindSetting[]
): Pick<FindingRow, 'kind' | 'paths' | 'names' | 'sentence'> | undefined {
	const of = findingOf(key);
	const shift = shiftOf(key, settings);
	if (!of || shift === undefined) return undefined;
	const paths = of.paths.map(readPath);
	const elements = paths.map((path) => elementAt(page, path));
	const names = elements.map((element) => (element ? nameOfElement(element) : 'something'));
	const called = elements.map((element, i) => {
		const said = element ? wordsIn(element, WORDS) : '';
		return `${names[i] ?? ''}${said === '' ? '' : ` “${said}”`}`;
	});
	const [name = '', other = ''] = called;
	const sentence = of.kind.sentence({ name, other, by: amountOf(key, by - shift), turns });
	return { kind: of.kind, paths, names, sentence };
}

/** The findings of a page as listed, in no particular order; those accepted everywhere are empty. */
export function findingRows(
	page: InquiredPage,
	found: readonly Found[],
	vantage: SeenVantage,
	settings: readonly KindSetting[],
	accepted: readonly Accepted[],
	/** Gaps between two px in which something visible differs from both sides, by their keys. */
	seen: ReadonlySet<string> = new Set()
): FindingRow[] {
	const measured = found.flatMap((one): FindingRow[] => {
		const told = tellFinding(page.page, one, settings);
		return told ? [{ ...one, ...told, accepted: [] }] : [];
	});
	const off = settings.some(({ kind, on }) => kind === neither.name && !on);
	const bands = page.bands(vantage);
	const meant = meantGap(settings, bands);
	const between = off ? [] : neitherHolds(bands, ({ queries }) => page.widthsOf(queries, vantage), meant);
	const said = (sites: readonly MediaSite[]): string =>
		[...new Set(sites.map(({ text }) => text))].join(', ');
	const stretches = between.map(({ interval, below, above }): FindingRow => {
		const widths = fromInterval(interval);
		const key = `${neither.name} ${printInterval(interval)}`;
		return {
			key,
			kind: seen.has(key) ? { ...neither, severity: 'grave' } : neither,
			paths: [],
			names: [],
			sentence: `Neither ${said(below)} nor ${said(above)} holds.`,
			widths,
			worst: Number(interval.lo.n / interval.lo.d),
			by: 0,
			exact: true,
			accepted: [],
			closes: {
				interval,
				places: [...below, ...above].map(({ file, span }) => ({ path: file, offset: span.start }))
			}
		};
	});
	return [...stretches, ...measured].map((row) => accept(row, page.path, accepted));
}

const kindIndex = ({ kind }: FindingRow): number => KINDS.findIndex(({ name }) => name === kind.name);
const severity = ({ kind }: FindingRow): number => SEVERITIES.indexOf(kind.severity);

/** In document order; findings about no element come first. */
function comparePaths([a = []]: readonly ElementPath[], [b = []]: readonly ElementPath[]): number {
	const i = a.findIndex((index, n) => index !== b[n]);
	return i < 0 ? a.length - b.length : (a[i] ?? 0) - (b[i] ?? -1);
}

const COMPARE: Readonly<Record<Order, (a: FindingRow, b: FindingRow) => number>> = {
	severity: (a, b) => severity(a) - severity(b) || kindIndex(a) - kindIndex(b) || b.by - a.by,
	kind: (a, b) => kindIndex(a) - kindIndex(b) || b.by - a.by,
	element: (a, b) => comparePaths(a.paths, b.paths) || severity(a) - severity(b)
};

/** Findings in an order, with those of one kind about elements with the same name grouped. */
export function groupFindings(rows: readonly FindingRow[], order: Order): FindingGroup[] {
	const groups = new Map<string, FindingRow[]>();
	for (const row of [...rows].sort(COMPARE[order])) {
		const key = row.names.length === 0 ? row.key : [row.kind.name, ...row.names].join(' ');
		groups.set(key, [...(groups.get(key) ?? []), row]);
	}
	return [...groups].map(([key, own]) => ({
		key,
		rows: own,
		widths: own.reduce((set, { widths }) => union(set, widths), NOTHING)
	}));
}
