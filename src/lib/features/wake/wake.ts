import { counted } from '$lib/core/text/index.ts';
import { isEmpty, printIntervalSet, type IntervalSet } from '$lib/core/interval/index.ts';
import { allWidths, type EditOnPage } from '$lib/core/wake/index.ts';
import type { LastEdit } from '$lib/session/lastEdit.ts';
import type { EditedPage } from '$lib/session/measurer.ts';
import type { Comparison } from '$lib/workers/comparison.ts';

/** What an edit changed on another page of the site, at the ends and middles of its bands. */
export interface WakeElsewhere {
	readonly page: string;
	readonly count: number;
	readonly widths: IntervalSet;
	/** Findings that it caused or fixed there, at those widths. */
	readonly findings: Wake['findings'];
}

/** What the last edit changed. */
export interface Wake extends Comparison {
	/** What the edit affects. */
	readonly edit: EditOnPage;
	/** The page that it was examined on. */
	readonly edited: EditedPage;
	readonly last: LastEdit;
	/** What it did. */
	readonly words: string;
	/** When it was first examined, right after it was made. */
	readonly at: Date;
	/** All widths at which something changed, and those outside of the carriage's band at the time. */
	readonly widths: IntervalSet;
	readonly outside: IntervalSet;
	/** The carriage's band at the time. */
	readonly meant: IntervalSet;
	readonly elsewhere: readonly WakeElsewhere[];
	/** How many other pages of the site are still to be measured. */
	readonly left: number;
}

/** A statement about an edit; whether it may be unintended. */
export interface WakeWords {
	readonly text: string;
	readonly warns: boolean;
}

/** The step in words: what it did, its files, and the time of day. */
export function editInWords({ words, edited: { files }, at }: Pick<Wake, 'words' | 'edited' | 'at'>): string {
	const named = files.length > 2 ? `${files.length} files` : files.join(', ');
	return [words, named, at.toTimeString().slice(0, 5)].filter((one) => one !== '').join(', ');
}

/** What an edit changed, in words: changes outside of the intended band come first. */
export function wakeWords(wake: Wake): WakeWords[] {
	const elsewhere = wake.elsewhere.flatMap(({ page, count, widths, findings }) => [
		...(count > 0
			? [{ text: `${page}: ${counted(count, 'element')}, ${printIntervalSet(widths)}.`, warns: true }]
			: []),
		...findingsInWords({ findings }).map((one) => ({ ...one, text: `${page}: ${one.text}` }))
	]);
	if (wake.left > 0)
		elsewhere.push({ text: `${counted(wake.left, 'other page')} not measured yet …`, warns: false });
	if (wake.changed.length === 0) {
		const at = wake.whole ? 'every px' : `${counted(wake.measured, 'width')} so far`;
		const what = elsewhere.length > 0 ? 'Nothing changed here' : 'Nothing changed';
		const text = wake.measured === 0 ? 'Nothing could change.' : `${what}, at ${at}.`;
		return [{ text, warns: false }, ...findingsInWords(wake), ...elsewhere];
	}
	const outside = isEmpty(wake.outside)
		? []
		: [{ text: `Also beyond the carriage’s band: ${printIntervalSet(wake.outside)}.`, warns: true }];
	return [...outside, ...findingsInWords(wake), { text: changedHere(wake), warns: false }, ...elsewhere];
}

/** At most so many findings are listed; the others are counted. */
const MOST_FINDINGS = 3;

/** Which findings an edit caused, and which it fixed. */
function findingsInWords({ findings }: Pick<Wake, 'findings'>): WakeWords[] {
	return (['made', 'mended'] as const).flatMap((turned): WakeWords[] => {
		const own = findings.filter((one) => one.turned === turned);
		if (own.length === 0) return [];
		const told = own
			.slice(0, MOST_FINDINGS)
			.map(({ sentence, widths }) => `${sentence.replace(/\.$/, '')}, ${printIntervalSet(widths)}`);
		const more = own.length - told.length;
		const all = `${told.join('; ')}${more > 0 ? `; and ${more} more` : ''}.`;
		return [{ text: `${turned === 'made' ? 'New finding' : 'Mended'}: ${all}`, warns: turned === 'made' }];
	});
}

function changedHere({ outermost, changed, exact, whole, measured }: Wake): string {
	const follows = changed.filter((one) => isEmpty(one.own));
	/** Elements with the same name and the same changed widths are listed together. */
	const times = new Map<string, number>();
	for (const { path, inside, name } of outermost) {
		const one = changed.find((other) => other.path === path);
		const widths = one ? printIntervalSet(one.own) : '';
		const what = `${name}${inside > 0 ? ` and ${inside} inside it` : ''}, ${widths}`;
		times.set(what, (times.get(what) ?? 0) + 1);
	}
	const parts = [...times].slice(0, 3).map(([what, count]) => (count > 1 ? `${count} × ${what}` : what));
	const more = times.size > 3 ? [`${times.size - 3} more`] : [];
	const most = changed.reduce((a, b) => (b.by > a.by ? b : a));
	const moved =
		follows.length > 0
			? [
					`${follows.length} more follow${follows.length === 1 ? 's' : ''}, ${printIntervalSet(allWidths(follows))}`
				]
			: [];
	const by = most.by > 0 ? `, by up to ${Math.round(most.by * 10) / 10} px at ${most.worst}` : '';
	return `${[...parts, ...more, ...moved].join('; ')}${by}${exact ? `; nothing else, ${whole ? 'at every px' : `at ${measured} widths so far`}` : ' …'}.`;
}
