import { propertiesSet, verdictOf, type Candidate } from '../core/cascade/index.ts';
import type { Wished } from '../core/css/edit/index.ts';
import { shiftOf } from '../core/findings/settings.ts';
import type { ElementPath } from '../core/html/index.ts';
import { blanked } from '../core/text/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { FindingRow } from './findings.ts';
import { lineageOf } from './lineage.ts';
import { PageState } from './page.svelte.ts';
import type { SiteState } from './site.svelte.ts';
import type { Stages } from './stages.svelte.ts';

/** A declaration without which a finding is not there at its worst width, or is clearly less. */
export interface Blame {
	readonly from: Candidate;
	/** How far it is beyond its limit without it, in its kind's unit: over 0 it is still there. */
	readonly left: number;
	/** The element on which it decides. */
	readonly path: ElementPath;
}

/** What a page is swept as, and where it is laid out. */
interface Swept {
	readonly site: SiteState;
	readonly page: PageState;
	readonly stages: Stages;
	readonly as: SeenVantage;
}

/** What moves no box and no line. */
const PAINT =
	/^(color|background.*|cursor|outline.*|.*-color|.*-shadow|text-decoration.*|transition.*|animation.*|fill|stroke.*|caret.*|will-change|pointer-events|user-select)$/;
/** What is left of a finding where it is clearly less. */
const LESS = 0.9;
/** So many declarations are tried at most. */
const MOST = 60;

/** Declarations that decide on an element and all around it, at a width: its own first. */
async function deciding({ page, stages, as }: Swept, path: ElementPath, width: number): Promise<Blame[][]> {
	const lineage = await lineageOf(page, stages, path, { ...as, width });
	return lineage.at(width).map((of, up) => {
		const found = [...propertiesSet(of)].flatMap((property) => {
			const { winner } = verdictOf(property, of);
			return winner && winner.attribute === null && !PAINT.test(winner.property) ? [winner] : [];
		});
		const places = new Map(found.map((one) => [`${one.file} ${one.span.start}`, one]));
		return [...places.values()].map((from) => ({ from, path: lineage.path(up), left: 0 }));
	});
}

/** The page with something else in the place of a declaration: by default nothing. */
function changed({ site, page }: Swept, { file, span }: Candidate, beside?: string): PageState {
	const at = (offset: number): number => (file === page.path ? page.inFile(file, offset) : offset);
	const [start, end] = [at(span.start), at(span.end)];
	return new PageState(site, page.path, (path) => {
		const text = site.texts.get(path)?.inForce;
		if (path !== file || text === undefined) return text;
		if (beside === undefined) return blanked(text, [{ start, end }]);
		return `${text.slice(0, end)}; ${beside}${text.slice(end)}`;
	});
}

/** How far a finding is beyond its limit at its worst width, in real layout of a page that is changed; under 0 it is not there. */
async function leftOf({ stages, as, site }: Swept, page: PageState, row: FindingRow, signal: AbortSignal) {
	const shift = shiftOf(row.key, site.kept.finding.list) ?? 0;
	const { height, density } = as;
	const viewport = { width: as.width, height, density };
	const content = page.content(stages.prefix, as);
	const job = { content, viewport, widths: [row.worst], priority: 1, signal };
	for await (const { readings } of stages.queue.read(job)) {
		const value = readings.get(row.key);
		return typeof value === 'number' ? value + shift : -Infinity;
	}
	return NaN;
}

/**
 * The declarations to blame for a finding: those of the nearest element, from its own outwards, without one of which
 * it is not there at its worst width; where there is none, the one without which there is least of it, if that is clearly less. None
 * where no single one makes so much of it.
 */
export async function blameFor(swept: Swept, row: FindingRow, signal: AbortSignal): Promise<Blame[]> {
	// The text may have gone on since it was found.
	const all = await leftOf(swept, swept.page, row, signal);
	if (!(all > 0)) return [];
	let least: Blame | undefined;
	const each = await Promise.all(row.paths.map((path) => deciding(swept, path, row.worst)));
	const tried = new Set<string>();
	for (let up = 0; up < Math.max(...each.map(({ length }) => length)); up++) {
		const found: Blame[] = [];
		for (const blame of each.flatMap((one) => one[up] ?? [])) {
			const key = `${blame.from.file} ${blame.from.span.start}`;
			if (signal.aborted || tried.size >= MOST || tried.has(key)) continue;
			tried.add(key);
			const left = await leftOf(swept, changed(swept, blame.from), row, signal);
			if (left <= 0) found.push({ ...blame, left });
			else if (left <= Math.min(LESS * all, least?.left ?? all)) least = { ...blame, left };
		}
		if (found.length > 0) return found;
	}
	return least ? [least] : [];
}

/** What a kind has as a remedy that does mend a finding, beside the declaration to blame; undefined where nothing does. */
export async function remedyFor(
	swept: Swept,
	row: FindingRow,
	{ from }: Blame,
	signal: AbortSignal
): Promise<Wished | undefined> {
	for (const { property, value } of row.kind.remedies ?? []) {
		if (signal.aborted) return undefined;
		if ((await leftOf(swept, changed(swept, from, `${property}: ${value}`), row, signal)) <= 0)
			return { property, value };
	}
	return undefined;
}
