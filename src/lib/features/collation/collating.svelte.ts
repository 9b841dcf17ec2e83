import { alikeColumns, type Cell, type Row } from '$lib/core/collation/index.ts';
import type { NoEffect } from '$lib/core/effect/index.ts';
import type { ElementPath } from '$lib/core/html/index.ts';
import { contains, fromInterval, rationalFromNumber } from '$lib/core/interval/index.ts';
import type { Bands } from '$lib/core/media/index.ts';
import type { LaidOut } from '$lib/core/snapshot/index.ts';
import { FINE } from '$lib/core/sweep/index.ts';
import type { Edit } from '$lib/core/text/index.ts';
import type { SeenVantage } from '$lib/core/vantage/index.ts';
import type { Carriage } from '$lib/session/carriage.svelte.ts';
import {
	collationOf,
	columnsOf,
	joined,
	widthOf,
	type Collation,
	type Column
} from '$lib/inquiry/collation.ts';
import { flipsOf, type Flips } from '$lib/inquiry/flips.ts';
import { layoutAt } from '$lib/inquiry/layoutAt.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import type { Stages } from '$lib/session/stages.svelte.ts';
import { valuesIn, type ElementValues } from '$lib/inquiry/elementValues.ts';

/** What is collated, and from where. */
export interface CollationRequest {
	readonly page: PageState;
	readonly stages: Stages;
	/** What is selected: the first is collated, the others are compared with it. */
	readonly paths: readonly ElementPath[];
	readonly lead: SeenVantage;
	readonly bands: Bands;
	/** The file in the sheet: where new rules go. */
	readonly file: string;
	/** Widths of vantages, at which columns are evaluated where they contain them. */
	readonly marks: readonly number[];
	readonly range: readonly [number, number];
	/** The live frame that shows the page as the lead's vantage at a width; undefined where none does. */
	readonly frameAt: (width: number) => string | undefined;
}

/** A column as it is shown: one band, or several that say the same. */
export interface ShownColumn extends Column {
	/** The first and the one after the last of the columns that it stands for. */
	readonly from: number;
	readonly to: number;
	/** The width at which it is evaluated. */
	readonly width: number;
}

/** The collation of what is selected, as it is seen. */
export class Collating {
	looked: CollationRequest | null = null;
	/** What is to be done once what is seen is up to the texts. */
	next: (() => void) | null = null;
	/** As the sheets say it, without what is tried. */
	settled = $state.raw<Collation | null>(null);
	/** With what is tried, and what that is. */
	tried = $state.raw<{ readonly edit: Edit; readonly found: Collation } | null>(null);
	/** What is tried by the hand; while something is, columns and rows stay as they are. */
	trial = $state.raw<Edit | null>(null);
	held = $state(false);
	/** Every column, before those that say the same are joined. */
	all = $state.raw<readonly Column[]>([]);
	/** Of what else is selected. */
	others = $state.raw<readonly Collation[]>([]);
	laid = $state.raw<ReadonlyMap<number, LaidOut>>(new Map());
	/** What measurements tell of columns, by their widths, and what live frames do, which goes before it. */
	#measured = $state.raw<ReadonlyMap<number, ElementValues>>(new Map());
	#live = $state.raw<ReadonlyMap<number, ElementValues>>(new Map());
	/** Properties that were asked for by name. */
	also = $state.raw<readonly string[]>([]);
	/** Whether bands that say the same stand apart. */
	parted = $state(false);
	/** Whether what values compute to is shown beside them. */
	computing = $state(false);

	readonly #carriage: Carriage;

	constructor(carriage: Carriage) {
		this.#carriage = carriage;
	}

	readonly columns: readonly ShownColumn[] = $derived.by(() => {
		const { settled, all } = this;
		if (!settled) return [];
		const stretches = this.parted
			? all.map((_, i) => [i, i + 1] as const)
			: alikeColumns(settled, all.length);
		return stretches.map(([from, to]) => {
			const widths = settled.widths.slice(from, to);
			const width = widths.find((one) => one === this.#carriage.width) ?? widths[0] ?? 0;
			return { ...joined(all.slice(from, to)), from, to, width };
		});
	});
	readonly rows: readonly Row[] = $derived.by(() => this.settled?.rows ?? []);

	/** How many columns there is room for, and the first that is shown, on request. */
	fits = $state(1);
	requested = $state(0);
	/** The column that is to stay in sight besides the carriage's. */
	kept = $state.raw<ShownColumn | null>(null);
	/** The index of the column that the carriage stands in. */
	readonly here: number = $derived.by(() =>
		this.columns.findIndex(({ interval }) =>
			contains(fromInterval(interval), rationalFromNumber(this.#carriage.width))
		)
	);
	/** The index of the first column that is shown. */
	readonly first: number = $derived.by(() => {
		const last = Math.max(0, this.columns.length - this.fits);
		// A column is a new one wherever the carriage goes, from the same place on.
		const kept = this.columns.findIndex(({ from }) => from === this.kept?.from);
		const sure = kept >= 0 ? kept : this.here;
		return Math.min(last, Math.max(0, sure - this.fits + 1, Math.min(this.requested, sure)));
	});
	readonly shown: readonly ShownColumn[] = $derived.by(() =>
		this.columns.slice(this.first, this.first + this.fits)
	);

	/** The cell of a row in a column that is shown. */
	cell(row: Row, column: ShownColumn): Cell | undefined {
		return row.cells[column.from];
	}

	/** What the other selected elements say where they say something else; none where they agree. */
	otherwise(row: Row, column: ShownColumn): string[] {
		const text = this.cell(row, column)?.text ?? '';
		const [longhand = ''] = row.longhands;
		return this.others.flatMap(({ rows }) => {
			const other =
				rows.find(({ longhands }) => longhands.includes(longhand))?.cells[column.from]?.text ?? '';
			return other === text ? [] : [other];
		});
	}

	/** Why a row's value does nothing in a column; undefined where it may, or that is not known. */
	noEffect(row: Row, { width }: ShownColumn): NoEffect | undefined {
		const values = this.#live.get(width) ?? this.#measured.get(width);
		const each = row.longhands.map((longhand) => values?.noEffect(longhand));
		return each.every((one) => one !== undefined) ? each[0] : undefined;
	}

	/** What a row's value computes to in a column; '' where that is not known. */
	computed(row: Row, { width }: ShownColumn): string {
		const [live, measured] = [this.#live.get(width), this.#measured.get(width)];
		const values = row.longhands.map((one) => live?.computed(one) || measured?.computed(one) || '');
		return [...new Set(values)].join(' ').trim();
	}

	/** Asks for the collation of the selection; to be called anew whenever something of that changes. */
	async look(looked: CollationRequest | null, signal: AbortSignal): Promise<void> {
		this.looked = looked;
		if (!looked) {
			this.settled = null;
			this.next = null;
			return;
		}
		const found = await this.#collate(looked, signal);
		if (!found || signal.aborted || this.held) return;
		await Promise.all([this.#layOut(looked, signal), this.#ask(looked, signal)]);
		if (signal.aborted) return;
		// Where containers flip inside of bands, on a finer grid each time, in the end to the pixel.
		const [path] = looked.paths;
		for (let flips: Flips | undefined; path && found.lineage.asks && flips?.step !== 1;) {
			const { page, stages, lead, bands } = looked;
			const { containers } = found.lineage;
			flips = await flipsOf(page, stages, path, lead, bands, containers, flips, signal);
			if (signal.aborted || this.held) return;
			await this.#collate(looked, signal, flips);
		}
	}

	async #collate(
		looked: CollationRequest,
		signal: AbortSignal,
		flips?: Flips
	): Promise<Collation | undefined> {
		const { page, stages, paths, lead, bands, marks, range } = looked;
		const edit = this.trial;
		const { held, settled } = this;
		const columns = held ? this.all : columnsOf(bands, range, flips?.cuts ?? []);
		const widths =
			held && settled ? settled.widths : columns.map((one) => widthOf(one, [this.#carriage.width, ...marks]));
		const [found, ...others] = await Promise.all(
			paths.map((path, i) =>
				collationOf(page, stages, path, lead, widths, this.also, i === 0 ? flips : undefined)
			)
		);
		if (signal.aborted || !found) return undefined;
		this.tried = edit && { edit, found };
		if (this.held) return undefined;
		this.all = columns;
		this.settled = found;
		this.others = others;
		const { next } = this;
		this.next = null;
		next?.();
		return found;
	}

	/** Asks how the selection is laid out in the columns that are shown. */
	async #layOut({ page, stages, paths: [path], lead }: CollationRequest, signal: AbortSignal): Promise<void> {
		if (!path) return;
		const widths = this.columns.map(({ width }) => width).filter((width) => Number.isInteger(width / FINE));
		const [laid, measured] = [new Map<number, LaidOut>(), new Map<number, ElementValues>()];
		await layoutAt(page, stages, path, lead, widths, signal, (width, one, values) => {
			laid.set(width, one);
			if (values) measured.set(width, values);
		});
		if (signal.aborted) return;
		this.laid = laid;
		this.#measured = measured;
	}

	/** Asks the frames over columns what values compute to, and what does nothing. */
	async #ask(looked: CollationRequest, signal: AbortSignal): Promise<void> {
		const live = new Map<number, ElementValues>();
		for (const { width } of this.columns) {
			const frame = looked.frameAt(width);
			const one =
				frame === undefined ? undefined : await valuesIn({ ...looked, layout: looked.stages }, frame, width);
			if (signal.aborted) return;
			if (one) live.set(width, one);
		}
		this.#live = live;
	}
}
