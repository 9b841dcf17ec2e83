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

/** What is collated, and its surroundings. */
export interface CollationRequest {
	readonly page: PageState;
	readonly stages: Stages;
	/** The selection: its first element is collated, the others are compared with it. */
	readonly paths: readonly ElementPath[];
	readonly lead: SeenVantage;
	readonly bands: Bands;
	/** The file in the sheet, into which new rules go. */
	readonly file: string;
	/** Widths of vantages, at which columns are evaluated where they contain them. */
	readonly marks: readonly number[];
	readonly range: readonly [number, number];
	/** The live frame that shows the page in the lead's vantage at a width; undefined where none does. */
	readonly frameAt: (width: number) => string | undefined;
}

/** A column as shown: one band, or several with the same values. */
export interface ShownColumn extends Column {
	/** The first of its columns, and the one after the last. */
	readonly from: number;
	readonly to: number;
	/** The width at which it is evaluated. */
	readonly width: number;
}

/** The Collation of the selection, as shown. */
export class Collating {
	looked: CollationRequest | null = null;
	/** What is to be done once the shown state has caught up with the texts. */
	next: (() => void) | null = null;
	/** By the sheets, without the edit being tried. */
	settled = $state.raw<Collation | null>(null);
	/** With the edit being tried, and what that is. */
	tried = $state.raw<{ readonly edit: Edit; readonly found: Collation } | null>(null);
	/** The edit being tried; while there is one, columns and rows stay the same. */
	trial = $state.raw<Edit | null>(null);
	held = $state(false);
	/** Every column, before those with the same values are joined. */
	all = $state.raw<readonly Column[]>([]);
	/** Of the other selected elements. */
	others = $state.raw<readonly Collation[]>([]);
	laid = $state.raw<ReadonlyMap<number, LaidOut>>(new Map());
	/** Measurements for columns, by their widths, and the reports of live frames, which take precedence. */
	#measured = $state.raw<ReadonlyMap<number, ElementValues>>(new Map());
	#live = $state.raw<ReadonlyMap<number, ElementValues>>(new Map());
	/** Properties requested by name. */
	also = $state.raw<readonly string[]>([]);
	/** Whether bands with the same values are separate. */
	parted = $state(false);
	/** Whether computed values are shown as well. */
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

	/** The number of columns that fit, and the first one shown, where requested. */
	fits = $state(1);
	requested = $state(0);
	/** The column to be kept in sight besides the carriage's. */
	kept = $state.raw<ShownColumn | null>(null);
	/** The index of the carriage's column. */
	readonly here: number = $derived.by(() =>
		this.columns.findIndex(({ interval }) =>
			contains(fromInterval(interval), rationalFromNumber(this.#carriage.width))
		)
	);
	/** The index of the first column shown. */
	readonly first: number = $derived.by(() => {
		const last = Math.max(0, this.columns.length - this.fits);
		// After the carriage has moved, columns may be joined differently, starting from the same place.
		const kept = this.columns.findIndex(({ from }) => from === this.kept?.from);
		const sure = kept >= 0 ? kept : this.here;
		return Math.min(last, Math.max(0, sure - this.fits + 1, Math.min(this.requested, sure)));
	});
	readonly shown: readonly ShownColumn[] = $derived.by(() =>
		this.columns.slice(this.first, this.first + this.fits)
	);

	/** The cell of a row in a shown column. */
	cell(row: Row, column: ShownColumn): Cell | undefined {
		return row.cells[column.from];
	}

	/** The values of the other selected elements that differ; none where they agree. */
	otherwise(row: Row, column: ShownColumn): string[] {
		const text = this.cell(row, column)?.text ?? '';
		const [longhand = ''] = row.longhands;
		return this.others.flatMap(({ rows }) => {
			const other =
				rows.find(({ longhands }) => longhands.includes(longhand))?.cells[column.from]?.text ?? '';
			return other === text ? [] : [other];
		});
	}

	/** Why a row's value has no effect in a column; undefined where it may have one, or that is unknown. */
	noEffect(row: Row, { width }: ShownColumn): NoEffect | undefined {
		const values = this.#live.get(width) ?? this.#measured.get(width);
		const each = row.longhands.map((longhand) => values?.noEffect(longhand));
		return each.every((one) => one !== undefined) ? each[0] : undefined;
	}

	/** The computed value of a row in a column; '' where that is unknown. */
	computed(row: Row, { width }: ShownColumn): string {
		const [live, measured] = [this.#live.get(width), this.#measured.get(width)];
		const values = row.longhands.map((one) => live?.computed(one) || measured?.computed(one) || '');
		return [...new Set(values)].join(' ').trim();
	}

	/** Requests the Collation of the selection; to be called again whenever something in it changes. */
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
		// Where container queries change inside bands, on a finer grid each time, finally to the pixel.
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

	/** Requests the layout of the selection in the shown columns. */
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

	/** Asks the frames above columns for computed values, and for declarations without effect. */
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
