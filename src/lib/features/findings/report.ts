import { printIntervalSet } from '$lib/core/interval/index.ts';
import type { SeenVantage } from '$lib/core/vantage/index.ts';
import type { FindingRow } from '$lib/inquiry/findings.ts';
import type { coverage, WidthRange } from '$lib/core/sweep/index.ts';

/** The content of a report of findings, as it is passed on. Widths are in the usual notation: `700–<1000`. */
export interface FindingsReport {
	readonly page: string;
	readonly as: { readonly vantage: string; readonly height: number; readonly density: number };
	/** How much was measured, CSS px; there may be more findings at unmeasured widths. */
	readonly looked: {
		readonly from: number;
		readonly to: number;
		readonly measured: number;
		readonly of: number;
		readonly longestUnseen: number;
	};
	readonly at: string;
	readonly findings: readonly {
		readonly kind: string;
		readonly severity: string;
		readonly sentence: string;
		readonly elements: readonly { readonly name: string; readonly path: string }[];
		/** Where it counts; “no width” where it is accepted at all of its widths. */
		readonly widths: string;
		readonly exact: boolean;
		readonly worst: number;
		readonly standard?: string;
		readonly accepted: readonly { readonly widths: string; readonly reason: string }[];
	}[];
}

/** The report on the findings of a page, and on those that are accepted. */
export const findingsReport = (
	page: string,
	vantage: SeenVantage,
	{ from, to }: WidthRange,
	{ measured, of, unseen }: ReturnType<typeof coverage>,
	rows: readonly FindingRow[],
	at: string
): FindingsReport => {
	return {
		page,
		as: { vantage: vantage.name, height: vantage.height, density: vantage.density },
		looked: { from, to, measured, of, longestUnseen: unseen },
		at,
		findings: rows.map(({ kind, sentence, names, paths, widths, exact, worst, accepted }) => ({
			kind: kind.name,
			severity: kind.severity,
			sentence,
			elements: names.map((name, i) => ({ name, path: (paths[i] ?? []).join('.') })),
			widths: printIntervalSet(widths),
			exact,
			worst,
			...(kind.standard ? { standard: kind.standard } : {}),
			accepted: accepted.map((one) => ({ widths: printIntervalSet(one.widths), reason: one.reason }))
		}))
	};
};
