import { printIntervalSet } from '../interval/index.ts';
import { widthsFrom } from '../interval/store.ts';
import { PLAIN, vantageInWords } from '../vantage/index.ts';
import type { Hold, Measurement } from './hold.ts';
import type { Changed } from './summary.ts';

/** The content of a Hold's report, as it is passed on. */
export interface HoldReport {
	readonly page: string;
	/** As people read them: `700–<1000`. */
	readonly widths: string;
	readonly of: string;
	readonly heldAt: string;
	readonly revision: number;
	readonly checkedAt: string;
	/** The widths that were measured, CSS px, and how many elements were compared at each. */
	readonly measured: readonly { readonly width: number; readonly elements: number }[];
	readonly values: readonly string[];
	readonly unchanged: boolean;
	readonly changes: readonly { readonly element: string; readonly widths: string; readonly px: number }[];
	readonly measurement: string;
}

/** What a Hold covers, in words. */
export const heldInWords = ({ scope, name }: Pick<Hold, 'scope' | 'name'>): string =>
	scope === 'all' ? 'the whole page' : scope === 'inside' ? `${name} and all inside it` : `all but ${name}`;

/** The vantage of a Hold, in words; '' for a Hold of an earlier version, which does not have it. */
export function heldAs({ window }: Pick<Hold, 'window'>): string {
	if (!window) return '';
	// Another vantage may have the same name.
	const isPlain = window.name === PLAIN.name && vantageInWords(window).length === 0;
	return isPlain ? `in a window ${window.height} px high` : `as ${window.name}`;
}

/** The report on a Hold: what was compared, and what changed. */
export const holdReport = (
	hold: Hold,
	measurement: Measurement,
	changed: readonly Changed[],
	nameOf: (path: string) => string,
	checkedAt: string
): HoldReport => ({
	page: hold.page,
	widths: printIntervalSet(widthsFrom(hold.widths)),
	of: [heldInWords(hold), heldAs(hold)].filter((text) => text !== '').join(', '),
	heldAt: hold.at,
	revision: hold.revision,
	checkedAt,
	measured: measurement.widths.map(({ width, tags }) => ({ width, elements: tags.length })),
	values: measurement.longhands,
	unchanged: changed.length === 0,
	changes: changed.map(({ path, own, moved, by }) => ({
		element: nameOf(path),
		widths: [own, moved]
			.map(printIntervalSet)
			.filter((text) => text !== '')
			.join(', '),
		px: by
	})),
	measurement: hold.measurement
});

const escaped = (text: string): string =>
	text.replace(/[&<>"]/g, (one) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[one] ?? one);

/** Dark on light, for a screen and for a printer. */
const STYLE = [
	':root{color:#231e17;background:#fffdf8}',
	'body{max-width:56rem;margin:0 auto;padding:2rem 1.5rem;font:1rem/1.5 Georgia,serif}',
	'h1{margin:0;padding-bottom:.5rem;border-bottom:2px solid;font-size:1.6rem}',
	'h2{margin:2rem 0 .5rem;font-size:1.2rem}',
	'table{width:100%;border-collapse:collapse}',
	'th,td{padding:.375rem 1.5rem .375rem 0;border-bottom:1px solid #d8cfbd;text-align:left;vertical-align:top}',
	'th{font-weight:600;white-space:nowrap}',
	'td{overflow-wrap:anywhere;font-variant-numeric:tabular-nums}'
].join('');

/** The report as a page of its own, without scripts or external files. */
export function reportPage(report: HoldReport): string {
	const row = (name: string, value: string): string =>
		`<tr><th scope="row">${escaped(name)}</th><td>${escaped(value)}</td></tr>`;
	const changes = report.changes.map(
		({ element, widths, px }) =>
			`<tr><td>${escaped(element)}</td><td>${escaped(widths)}</td><td>${px > 0 ? `${Math.round(px * 100) / 100} px` : 'values'}</td></tr>`
	);
	return `<!doctype html>
<html lang="en"><meta charset="utf-8"><title>Hold: ${escaped(report.page)} ${escaped(report.widths)}</title>
<style>${STYLE}</style>
<h1>${report.unchanged ? 'Unchanged' : 'Changed'}: ${escaped(report.page)}, ${escaped(report.widths)}</h1>
<p>${
		report.unchanged
			? 'Boxes and computed values of every element are as they were held, at every width that was measured.'
			: `${report.changes.length} element${report.changes.length === 1 ? '' : 's'} changed.`
	} Between the measured widths nothing is said.</p>
<table>
${[
	row('Held', report.of),
	row('Since', `${report.heldAt}, revision ${report.revision}`),
	row('Checked', report.checkedAt),
	row('Widths measured', report.measured.map(({ width }) => `${width} px`).join(', ')),
	row('Elements', String(Math.max(0, ...report.measured.map(({ elements }) => elements)))),
	row('Values', report.values.join(', ')),
	row('Measurement', `SHA-256 ${report.measurement}`)
].join('\n')}
</table>
${report.unchanged ? '' : `<h2>What changed</h2>\n<table>\n<tr><th scope="col">element</th><th scope="col">widths, px</th><th scope="col">by at most</th></tr>\n${changes.join('\n')}\n</table>`}
</html>
`;
}
