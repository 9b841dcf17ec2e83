import type { Candidate, Outcome } from '../core/cascade/index.ts';
import type { Wished } from '../core/css/edit/index.ts';
import { alikeColumns, type Cell, type Row } from '../core/collation/index.ts';
import type { ElementPath } from '../core/html/index.ts';
import {
	contains,
	equal,
	fromInterval,
	intersection,
	EVERYTHING,
	NOTHING,
	rationalFromNumber,
	union,
	ZERO,
	type Interval,
	type IntervalSet
} from '../core/interval/index.ts';
import type { Bands } from '../core/media/index.ts';
import type { LaidOut } from '../core/snapshot/index.ts';
import { changedLines, type Edit, type Hunk } from '../core/text/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import { carriage } from './carriage.svelte.ts';
import { collationOf, columnsOf, joined, widthOf, type Collation, type Column } from './collation.ts';
import { layoutAt } from './layoutAt.ts';
import type { PageState } from './page.svelte.ts';
import type { SiteState } from './site.svelte.ts';
import type { Stages } from './stages.svelte.ts';
import { applyEdit } from './steps.ts';
import { choicesFor, type Choice } from './targets.ts';
import { tryEdit } from './trying.ts';
import { directionAt, ruleOf, takeOutAll, writeValue, type Desk, type Refusal } from './writing.ts';
import { Working } from './working.ts';

/** Over which widths a value is written, seen from a column. */
export type Extent = 'here' | 'up' | 'down' | 'everywhere';

/** What is looked at: where a collation comes from. */
export interface Looked {
	readonly page: PageState;
	readonly stages: Stages;
	readonly path: ElementPath;
	readonly lead: SeenVantage;
	readonly bands: Bands;
	/** The file in the sheet: where new rules go. */
	readonly file: string;
	/** Widths of vantages, at which columns are looked at where they are in them. */
	readonly marks: readonly number[];
	readonly range: readonly [number, number];
}

/** A column as it is shown: one band, or several that say the same. */
export interface ShownColumn extends Column {
	/** The first and the one after the last of the columns that it stands for. */
	readonly from: number;
	readonly to: number;
	/** The width at which it is looked at. */
	readonly width: number;
}

/** A value in the hand. */
export interface Hand {
	readonly row: Row;
	/** The column among those shown. */
	readonly column: ShownColumn;
	readonly cell: Cell;
	readonly value: string;
	readonly extent: Extent;
	readonly choices: readonly Choice[];
	/** Which of the choices it goes to. */
	readonly into: number;
}

/** What is written: the value without its flag, and whether it has one. */
function wishedOf(row: Row, value: string): Wished & { readonly important: boolean } {
	const [, bare = value, flag] = /^([\s\S]*?)\s*(!\s*important)?\s*$/i.exec(value) ?? [];
	return { property: row.name, value: bare.trim(), important: flag !== undefined };
}

/** Declarations, each once. */
const once = (all: readonly Candidate[]): Candidate[] =>
	all.filter(
		(one, i) => all.findIndex(({ file, span }) => file === one.file && span.start === one.span.start) === i
	);

/** The widths of an extent from a column; null where it has no condition. */
export function intervalOf(extent: Extent, { interval }: Column): Interval | null {
	if (extent === 'everywhere') return null;
	const wished: Interval = {
		...interval,
		...(extent === 'up' ? { hi: null, hiClosed: false } : {}),
		...(extent === 'down' ? { lo: ZERO, loClosed: false } : {})
	};
	return wished.lo.n <= 0n && wished.hi === null ? null : wished;
}

/** The collation of what is selected, and the value of it that is being written. */
export class Collating {
	readonly #site: SiteState;
	/** As the sheets say it, without what is tried. */
	#settled = $state.raw<Collation | null>(null);
	/** With what is tried, and what that is. */
	#tried = $state.raw<{ readonly edit: Edit; readonly found: Collation } | null>(null);
	#looked: Looked | null = null;
	#columns = $state.raw<readonly Column[]>([]);
	laid = $state.raw<ReadonlyMap<number, LaidOut>>(new Map());
	/** Properties that were asked for by name. */
	also = $state.raw<readonly string[]>([]);
	/** Whether bands that say the same stand apart. */
	parted = $state(false);
	hand = $state.raw<Hand | null>(null);
	refusal = $state.raw<Refusal | null>(null);
	#trial = $state.raw<Edit | null>(null);

	constructor(site: SiteState) {
		this.#site = site;
	}

	readonly columns: readonly ShownColumn[] = $derived.by(() => {
		const found = this.#settled;
		if (!found) return [];
		const all = this.#columns;
		const stretches = this.parted ? all.map((_, i) => [i, i + 1] as const) : alikeColumns(found, all.length);
		return stretches.map(([from, to]) => ({
			...joined(all.slice(from, to)),
			from,
			to,
			width: found.widths[from] ?? 0
		}));
	});

	/** How many columns there is room for, and the first that is shown, by wish. */
	fits = $state(1);
	wished = $state(0);
	/** The index of the column that the carriage stands in. */
	readonly here: number = $derived.by(() =>
		this.columns.findIndex(({ interval }) =>
			contains(fromInterval(interval), rationalFromNumber(carriage.width))
		)
	);
	/** The index of the first column that is shown: the one in hand, or else the carriage's, is always among them. */
	readonly first: number = $derived.by(() => {
		const last = Math.max(0, this.columns.length - this.fits);
		const held = this.hand ? this.columns.indexOf(this.hand.column) : -1;
		const kept = held >= 0 ? held : this.here;
		return Math.min(last, Math.max(0, kept - this.fits + 1, Math.min(this.wished, kept)));
	});
	readonly shown: readonly ShownColumn[] = $derived.by(() =>
		this.columns.slice(this.first, this.first + this.fits)
	);

	readonly rows: readonly Row[] = $derived.by(() => this.#settled?.rows ?? []);

	/** The cell of a row in a column that is shown. */
	cell(row: Row, column: ShownColumn): Cell | undefined {
		return row.cells[column.from];
	}

	/** Asks for the collation of what is looked at; to be called anew whenever something of that changes. */
	async look(looked: Looked | null, signal: AbortSignal): Promise<void> {
		this.#looked = looked;
		if (!looked) {
			this.#settled = null;
			return;
		}
		const { page, stages, path, lead, bands, marks, range } = looked;
		const edit = this.#trial;
		// While something is tried the columns stay as they are.
		const columns = this.hand ? this.#columns : columnsOf(bands, range, []);
		const widths =
			this.hand && this.#settled ? this.#settled.widths : columns.map((one) => widthOf(one, marks));
		const found = await collationOf(page, stages, path, lead, widths, this.also);
		if (signal.aborted) return;
		this.#tried = edit && { edit, found };
		if (this.hand) return;
		this.#columns = columns;
		this.#settled = found;
		await this.#layOut(looked, signal);
	}

	/** Asks how what is looked at is laid out in the columns that are shown. */
	async #layOut({ page, stages, path, lead }: Looked, signal: AbortSignal): Promise<void> {
		const widths = this.columns.map(({ width }) => width);
		const told = new Map<number, LaidOut>();
		await layoutAt(page, stages, path, lead, widths, signal, (width, laid) => told.set(width, laid));
		if (!signal.aborted) this.laid = told;
	}

	#desk(): Desk {
		const { texts, given } = this.#site;
		return {
			working: new Working((path) => texts.get(path)?.text),
			kind: (path) => texts.get(path)?.kind ?? 'sheet',
			isGiven: (path) => given.has(path)
		};
	}

	/** Takes a value into the hand. */
	begin(row: Row, column: ShownColumn): void {
		this.drop();
		const looked = this.#looked;
		const settled = this.#settled;
		const cell = this.cell(row, column);
		const of = settled?.lineage.at(column.width)[0];
		if (!looked || !cell || !of) return;
		for (const file of this.#site.texts.values()) file.settle();
		const desk = this.#desk();
		const { page, path, file } = looked;
		const choices = choicesFor(desk, page, path, of, cell.outcome, file);
		if (choices.length === 0) {
			this.refusal = { sentence: 'Every sheet of this page is given: there is none of ours to write in.' };
			return;
		}
		this.hand = {
			row,
			column,
			cell,
			value: cell.text,
			choices,
			into: 0,
			extent: this.#extentOf(cell.outcome, column, choices[0], desk)
		};
	}

	/** The extent that a value has so far, where it is one seen from its column; else the sheet's own direction. */
	#extentOf(outcome: Outcome, column: Column, choice: Choice | undefined, desk: Desk): Extent {
		const looked = this.#looked;
		if (this.columns.length < 2 || choice?.target.kind === 'style') return 'everywhere';
		const direction = choice ? directionAt(desk, choice.target) : 'up';
		const winner = outcome.kind === 'own' ? outcome.own.winner : undefined;
		const media = winner?.conditions.every(({ kind }) => kind === 'media') ?? false;
		if (!winner || !looked || !media) return direction;
		const widths = winner.conditions.reduce<IntervalSet>(
			(set, one) =>
				one.kind === 'media' ? intersection(set, looked.page.widthsOf(one.queries, looked.lead)) : set,
			EVERYTHING
		);
		const all: readonly Extent[] = [direction, direction === 'up' ? 'down' : 'up', 'here'];
		return all.find((one) => equal(this.#widthsOf(one, column), widths)) ?? direction;
	}

	#widthsOf(extent: Extent, column: Column): IntervalSet {
		const interval = intervalOf(extent, column);
		return interval ? fromInterval(interval) : EVERYTHING;
	}

	/** Changes what is in the hand, and tries it in all frames. */
	put(change: Partial<Pick<Hand, 'value' | 'extent' | 'into'>>): void {
		if (!this.hand) return;
		this.hand = { ...this.hand, ...change };
		this.#try();
	}

	/** Whether the browser takes what is in the hand. */
	get valid(): boolean {
		const { hand } = this;
		if (!hand) return false;
		const { property, value } = wishedOf(hand.row, hand.value);
		const engine = this.#settled?.lineage.engine;
		return value !== '' && (property.startsWith('--') || engine?.expand(property, value) !== null);
	}

	#try(): void {
		const { hand } = this;
		if (!hand) return;
		const { row, column, extent, choices, into } = hand;
		const wished = wishedOf(row, hand.value);
		const choice = choices[into];
		if (!choice || wished.value === '') return this.#setTrial(null);
		const desk = this.#desk();
		const interval = intervalOf(extent, column);
		const overridden = extent === 'everywhere' ? this.#overrides(desk, row, choice) : [];
		this.refusal = takeOutAll(desk, overridden) ?? writeValue(desk, choice.target, interval, wished) ?? null;
		const where = choice.target.kind === 'style' ? 'the style attribute' : choice.target.selector;
		this.#setTrial(
			this.refusal ? null : desk.working.edit(`${wished.property}: ${wished.value} into ${where}`)
		);
	}

	/** The declarations under conditions, of the same selector, that would keep a value from holding everywhere. */
	#overrides(desk: Desk, { name, cells }: Row, { target }: Choice): Candidate[] {
		if (target.kind === 'style') return [];
		const all = cells.flatMap(({ outcome: { own } }) => [
			...(own.winner ? [own.winner] : []),
			...own.losers.map(({ candidate }) => candidate)
		]);
		return once(
			all.filter(
				(one) =>
					one.property === name &&
					one.conditions.length > 0 &&
					one.file === target.file &&
					ruleOf(desk, one)?.selector === target.selector
			)
		);
	}

	#setTrial(edit: Edit | null): void {
		this.#trial = edit;
		tryEdit(this.#site.texts, edit);
	}

	/** The lines that what is in the hand changes, by file. */
	readonly lines: readonly { readonly path: string; readonly hunks: readonly Hunk[] }[] = $derived.by(() =>
		(this.#trial?.files ?? []).map(({ path, changes }) => ({
			path,
			hunks: changedLines(this.#site.texts.get(path)?.text ?? '', changes)
		}))
	);

	/** The cells of the row in the hand with what is tried; undefined until that is known. */
	readonly #now: readonly Cell[] | undefined = $derived.by(() => {
		const [longhand = ''] = this.hand?.row.longhands ?? [];
		if (!this.#tried || this.#tried.edit !== this.#trial) return undefined;
		return this.#tried.found.rows.find(({ longhands }) => longhands.includes(longhand))?.cells;
	});

	/** The widths at which what is in the hand changes the value. */
	readonly reach: IntervalSet = $derived.by(() => {
		const [now, before] = [this.#now, this.hand?.row.cells];
		return this.#columns.reduce<IntervalSet>(
			(set, { interval }, i) =>
				now && now[i]?.text !== before?.[i]?.text ? union(set, fromInterval(interval)) : set,
			NOTHING
		);
	});

	/** Why what is in the hand does not hold in its own column, the declaration that does; undefined where it holds. */
	readonly stronger: Candidate | undefined = $derived.by(() => {
		const { hand } = this;
		const now = hand && this.#now?.[hand.column.from];
		if (!hand || !now?.from) return undefined;
		const { value } = wishedOf(hand.row, hand.value);
		return now.text === value || now.from.written === value ? undefined : now.from;
	});

	/** Writes what is in the hand into the sheet; one that the browser does not take only where that is insisted on. */
	keep(insist = false): void {
		const edit = this.#trial;
		if (!this.hand || !edit || (!this.valid && !insist)) return;
		this.hand = null;
		this.#setTrial(null);
		applyEdit(this.#site.texts, edit);
	}

	/** Lets go of what is in the hand; the frames are as before. */
	drop(): void {
		this.hand = null;
		this.refusal = null;
		this.#setTrial(null);
	}

	/** Takes declarations out, as one step. */
	takeOut(cells: readonly Cell[]): void {
		this.drop();
		for (const file of this.#site.texts.values()) file.settle();
		const desk = this.#desk();
		this.refusal = takeOutAll(desk, once(cells.flatMap(({ outcome }) => outcome.own.winner ?? []))) ?? null;
		if (!this.refusal) applyEdit(this.#site.texts, desk.working.edit('taken out'));
	}
}
