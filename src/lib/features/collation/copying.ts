import { chain, done, refusalOf, refuse } from '$lib/core/text/index.ts';
import { isPlace, type Row } from '$lib/core/collation/index.ts';
import { ZERO, type Interval } from '$lib/core/interval/index.ts';
import type { Collating, CollationRequest, ShownColumn } from './collating.svelte.ts';
import { joined, type Collation, type Column } from '$lib/inquiry/collation.ts';
import { deskOf } from '$lib/session/desk.ts';
import type { Hand } from './hand.svelte.ts';
import type { Proposal } from '$lib/session/proposal.svelte.ts';
import type { Proposed } from '$lib/writing/proposed.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { choicesFor, type Choice } from '$lib/writing/targets.ts';
import { directionAt, requestOf, withFlag, writeValue, type Desk } from '$lib/writing/declaration.ts';

/** A list of names as words; '' for none. */
const named = (words: string, names: readonly string[]): string[] =>
	names.length === 0 ? [] : [`${words}: ${names.join(', ')}.`];

/** Writes into one column what another has, for every property that the element's own declarations set there. */
export function copyColumn(
	desk: Desk,
	looked: CollationRequest,
	collating: Collating,
	from: ShownColumn,
	to: ShownColumn
): Proposed {
	const { settled } = collating;
	const of = settled?.lineage.at(to.width)[0];
	if (!settled || !of) return refuse('There is nothing to copy.');
	const [copied, left]: [string[], string[]] = [[], []];
	for (const row of settled.rows) {
		const [source, target] = [collating.cell(row, from), collating.cell(row, to)];
		if (!source || !target || source.text === target.text) continue;
		if (source.outcome.kind !== 'own' || source.text === '') {
			left.push(row.name);
			continue;
		}
		const choices = choicesFor(desk, { ...looked, paths: looked.paths.slice(0, 1) }, [of], target.outcome);
		const requested = requestOf(row.name, withFlag(source.text, source.from));
		const written = chain(choices, ([choice]) =>
			choice ? writeValue(desk, choice.target, to.interval, requested) : refuse('There is no rule for it.')
		);
		(written.ok ? copied : left).push(row.name);
	}
	return done({
		summary: `${from.letter} is copied into ${to.letter}: ${copied.length === 1 ? '1 property' : `${copied.length} properties`}`,
		notes: named(`Left as they are, since ${from.letter} does not say them itself`, left)
	});
}

/** A run of columns in which a row has one value. */
interface ColumnRun {
	readonly columns: readonly Column[];
	readonly text: string;
}

function stretchesOf({ cells }: Row, columns: readonly Column[]): ColumnRun[] {
	const found: { columns: Column[]; text: string }[] = [];
	columns.forEach((column, i) => {
		const cell = cells[i];
		const said = cell?.outcome.kind === 'own' ? withFlag(cell.text, cell.from) : '';
		const last = found.at(-1);
		if (last?.text === said) last.columns.push(column);
		else found.push({ columns: [column], text: said });
	});
	return found;
}

/** Writes a row, band by band, in a sheet's direction: each value from where it begins. */
function writeRow(desk: Desk, choice: Choice, name: string, stretches: readonly ColumnRun[]): boolean {
	const direction = directionAt(desk, choice.target);
	const ordered = direction === 'up' ? stretches : stretches.toReversed();
	return ordered.every(({ columns, text }, i) => {
		if (text === '') return i === 0;
		const { interval } = joined(columns);
		const open: Interval =
			direction === 'up'
				? { ...interval, hi: null, hiClosed: false }
				: { ...interval, lo: ZERO, loClosed: false };
		return writeValue(desk, choice.target, i === 0 ? null : open, requestOf(name, text)).ok;
	});
}

/**
 * Gives a second element the look of a first, except its position; `choice` is a rule that matches only the second.
 */
function copyLook(
	desk: Desk,
	choice: Choice,
	columns: readonly Column[],
	first: Collation,
	second: Collation
): Proposed {
	const [copied, place, left]: [string[], string[], string[]] = [[], [], []];
	for (const row of first.rows) {
		if (!row.cells.some(({ outcome }) => outcome.kind === 'own')) continue;
		const [longhand = ''] = row.longhands;
		const other = second.rows.find(({ longhands }) => longhands.includes(longhand));
		if (row.cells.every(({ text }, i) => other?.cells[i]?.text === text)) continue;
		if (row.longhands.every(isPlace)) place.push(row.name);
		else if (writeRow(desk, choice, row.name, stretchesOf(row, columns))) copied.push(row.name);
		else left.push(row.name);
	}
	const { target } = choice;
	const where = target.kind === 'rule' ? target.selector : 'the style attribute';
	return done({
		summary: `${copied.length === 1 ? '1 property' : `${copied.length} properties`} into ${where}`,
		notes: [
			...named('Its place was left out', place),
			...named('Not the same in every band, so left out', left)
		]
	});
}

/** Proposes to give the second selected element the look of the first, by a rule that does not match the first. */
export async function giveLook(
	site: SiteState,
	{ looked, settled, others: [second], all }: Collating,
	hand: Hand,
	proposal: Proposal
): Promise<void> {
	hand.drop();
	const [from, to] = looked?.paths ?? [];
	const of = second?.lineage.at(second.widths[0] ?? 1)[0];
	if (!looked || !settled || !second || !from || !to || !of) return;
	const choices = choicesFor(deskOf(site), { ...looked, paths: [to] }, [of], undefined);
	hand.refusal = refusalOf(choices);
	if (!choices.ok) return;
	const rules = choices.value.flatMap((choice) =>
		choice.target.kind === 'rule' ? [{ choice, selector: choice.target.selector }] : []
	);
	const selectors = rules.map(({ selector }) => selector);
	const hit = await looked.stages.matching('lead', from, selectors);
	const choice = rules.find((_, i) => !hit[i])?.choice;
	if (choice) proposal.propose((desk) => copyLook(desk, choice, all, settled, second));
	else
		hand.refusal = refuse(
			'No steady selector matches the second and not the first: add a class to it (Reach).'
		);
}
