import type { Candidate } from '$lib/core/cascade/index.ts';
import { logicalOf, sidesOf, withSide, type Cell, type Row } from '$lib/core/collation/index.ts';
import { isFlowRelative } from '$lib/core/css/edit/index.ts';
import {
	contains,
	fromInterval,
	NOTHING,
	rationalFromNumber,
	union,
	type IntervalSet
} from '$lib/core/interval/index.ts';
import { chain, refusalOf, type Edit, type Refusal } from '$lib/core/text/index.ts';
import type { Collating, ShownColumn } from './collating.svelte.ts';
import { deskOf, linesOf, type FileLines } from '$lib/session/desk.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import type { RulePlace } from '$lib/writing/choosing.ts';
import type { Choice } from '$lib/writing/targets.ts';
import { Choosing } from './choosing.svelte.ts';
import { tryEdit } from '$lib/session/trying.ts';
import {
	partAt,
	ruleOf,
	takeOutAll,
	requestOf,
	withFlag,
	writeValue,
	type Desk
} from '$lib/writing/declaration.ts';
import { extentSoFar, intervalOf, once, widthsOf, withoutCells, type PendingValue } from './extent.ts';

/** A Collation, and the value in it that is being edited. */
export interface Table {
	readonly collating: Collating;
	readonly hand: Hand;
}

/** The value of a Collation being edited: tried in all frames until it is written or discarded. */
export class Hand {
	readonly #site: SiteState;
	readonly #collating: Collating;
	held = $state.raw<PendingValue | null>(null);
	refusal = $state.raw<Refusal | null>(null);
	readonly choosing: Choosing;

	constructor(site: SiteState, collating: Collating) {
		this.#site = site;
		this.#collating = collating;
		this.choosing = new Choosing(site, collating);
	}

	/** Starts editing a value, once the shown state has caught up with the texts. */
	begin(row: Row, column: ShownColumn): void {
		this.drop();
		const { looked, settled } = this.#collating;
		const cell = this.#collating.cell(row, column);
		if (!looked || !settled || !cell) return;
		const { conditions } = looked.page;
		const desk = deskOf(this.#site);
		if (looked.page.conditions !== conditions) {
			this.#collating.next = () => {
				const { rows, columns } = this.#collating;
				const [now, at] = [
					rows.find(({ name }) => name === row.name),
					columns.find(({ letter }) => letter === column.letter)
				];
				if (now && at) this.begin(now, at);
			};
			return;
		}
		const choices = this.choosing.choices(column.width, cell.outcome);
		this.refusal = refusalOf(choices);
		if (!choices.ok) return;
		this.#collating.held = true;
		this.#collating.kept = column;
		this.held = {
			row,
			column,
			cell,
			property: row.name,
			sides: sidesOf(row.name),
			value: withFlag(cell.text, cell.from),
			choices: choices.value,
			into: 0,
			isChosen: false,
			place: 'beside',
			at: this.#site.carriage.width,
			extent: extentSoFar(this.#collating, cell.outcome, column, choices.value[0], desk)
		};
		void this.choosing.count(choices.value).then(() => this.#putFairestFirst());
	}

	/** With the new counts, the value moves to the fairest choice, unless one was chosen. */
	#putFairestFirst(): void {
		const { held } = this;
		if (!held || held.isChosen) return;
		const choices = this.choosing.fairest(held);
		if (choices[0] === held.choices[0]) return;
		this.held = { ...held, choices };
		if (this.#collating.trial) this.#try(this.held);
	}

	/** Moves new rules to another place, or file. */
	placeNew(file: string, place: RulePlace): void {
		if (!this.held) return;
		const choices = this.choosing.placed(this.held, file, place);
		void this.choosing.count(choices);
		this.put({ choices, place, into: this.held.into });
	}

	/**
	 * How a length is written for one side, by its physical property: a shorthand in the rule itself stays one;
	 * otherwise the side's own property is used, flow-relative where the sheet names sides so.
	 */
	forSide(property: string): (length: string) => void {
		const { held } = this;
		const of = held && this.#collating.settled?.lineage.at(held.column.width)[0];
		if (!held || !of) return () => undefined;
		const { row, cell } = held;
		const { value, important } = requestOf(row.name, held.value);
		const flag = important ? ' !important' : '';
		const choice = held.choices[held.into];
		const desk = deskOf(this.#site);
		const own = cell.from && ruleOf(desk, cell.from);
		const { target } = choice ?? {};
		const isThere =
			target?.kind === 'rule' && own?.selector === target.selector && own.after === target.after;
		const whole = (length: string) => withSide(row.name, value, property, length, of.physical);
		if (isThere && row.without.length === 0 && cell.from?.property === row.name && whole('0') !== undefined)
			return (length) => this.put({ value: `${whole(length) ?? value}${flag}` });
		const part = target?.kind === 'rule' ? partAt(desk, target.file, target.after) : undefined;
		const logical = part && isFlowRelative(part.sheet) ? logicalOf(property, of.physical) : undefined;
		const named =
			row.name === property || of.physical(row.name) === property ? row.name : (logical ?? property);
		return (length) => this.put({ property: named, value: `${length}${flag}` });
	}

	/** Changes the value being edited, and tries it in all frames. */
	put(
		change: Partial<Pick<PendingValue, 'value' | 'extent' | 'into' | 'property' | 'at' | 'choices' | 'place'>>
	): void {
		if (!this.held) return;
		this.held = { ...this.held, ...('into' in change ? { isChosen: true } : {}), ...change };
		this.#try(this.held);
	}

	/**
	 * The longhands that the value being edited sets, by their physical names; null where the browser does not accept
	 * it.
	 */
	readonly #sets: readonly string[] | null = $derived.by(() => {
		if (!this.held) return null;
		const own = this.#collating.settled?.lineage.at(this.held.column.width)[0];
		if (!own) return null;
		const { property, value } = requestOf(this.held.property, this.held.value);
		if (property.startsWith('--')) return value === '' ? null : [property];
		const set = value === '' ? null : own.engine.expand(property, value);
		return set && [...set.keys()].map(own.physical);
	});

	/** Whether the browser accepts the value being edited. */
	get valid(): boolean {
		return this.#sets !== null;
	}

	#try(held: PendingValue): void {
		const { row, column, extent, choices, into } = held;
		const requested = requestOf(held.property, held.value);
		const choice = choices[into];
		if (!choice || requested.value === '') return this.#setTrial(null);
		const desk = deskOf(this.#site);
		const overridden = extent === 'everywhere' ? this.#overrides(desk, row, requested.property, choice) : [];
		const written = chain(takeOutAll(desk, overridden), () =>
			writeValue(desk, choice.target, intervalOf(extent, column, held.at), requested)
		);
		this.refusal = refusalOf(written);
		const where = choice.target.kind === 'style' ? 'the style attribute' : choice.target.selector;
		const summary = `${requested.property}: ${requested.value} into ${where}`;
		this.#setTrial(written.ok ? desk.working.edit(summary) : null);
	}

	/** The declarations under conditions, with the same selector, that would keep a value from holding everywhere. */
	#overrides(desk: Desk, { cells }: Row, property: string, { target }: Choice): Candidate[] {
		if (target.kind === 'style') return [];
		const all = cells.flatMap(({ outcome: { own } }) => [
			...(own.winner ? [own.winner] : []),
			...own.losers.map(({ candidate }) => candidate)
		]);
		return once(
			all.filter(
				(one) =>
					one.property === property &&
					one.conditions.length > 0 &&
					one.file === target.file &&
					ruleOf(desk, one)?.selector === target.selector
			)
		);
	}

	#setTrial(edit: Edit | null): void {
		this.#collating.trial = edit;
		tryEdit(this.#site.texts, edit);
	}

	/** The lines that the edit changes, by file. */
	readonly lines: readonly FileLines[] = $derived.by(() => linesOf(this.#site, this.#collating.trial));

	/** The edited row's cells without the edit and with it; undefined until they are known. */
	readonly #change: { readonly before: readonly Cell[]; readonly now: readonly Cell[] } | undefined =
		$derived.by(() => {
			const [longhand] = this.#sets ?? [];
			const { tried, trial, settled } = this.#collating;
			if (!tried || tried.edit !== trial || longhand === undefined) return undefined;
			const cells = (rows: readonly Row[] | undefined): readonly Cell[] =>
				rows?.find(({ longhands }) => longhands.includes(longhand))?.cells ?? [];
			return { before: cells(settled?.rows), now: cells(tried.found.rows) };
		});

	/** The widths at which the edit changes the value. */
	readonly reach: IntervalSet = $derived.by(() => {
		const change = this.#change;
		const { held } = this;
		// A chosen width lies within a column, whose ends are not evaluated.
		if (held && (held.extent === 'from' || held.extent === 'under'))
			return change ? widthsOf(held.extent, held.column, held.at) : NOTHING;
		return this.#collating.all.reduce<IntervalSet>(
			(set, { interval }, i) =>
				change && change.now[i]?.text !== change.before[i]?.text ? union(set, fromInterval(interval)) : set,
			NOTHING
		);
	});

	/** The declaration that overrides the value being edited in its own column; undefined where it holds. */
	readonly stronger: Candidate | undefined = $derived.by(() => {
		const { held } = this;
		const now = held && this.#change?.now[held.column.from];
		if (!held || !now?.from) return undefined;
		const widths = widthsOf(held.extent, held.column, held.at);
		if (!contains(widths, rationalFromNumber(held.column.width))) return undefined;
		const { value } = requestOf(held.property, held.value);
		return now.text === value || now.from.written === value ? undefined : now.from;
	});

	/** Takes the selector and flag of the stronger declaration: what would win at the least cost. */
	asStrong(): void {
		const { held, stronger } = this;
		if (!held || !stronger?.hit) return;
		const { selector, specificity } = stronger.hit;
		const known = held.choices.findIndex(
			({ target }) => target.kind === 'rule' && target.selector === selector
		);
		const home = held.choices.flatMap(({ target }) => (target.kind === 'rule' ? target.file : [])).at(-1);
		if (known < 0 && home === undefined) return;
		const target = { kind: 'rule' as const, file: home ?? '', selector, after: null };
		const more = known < 0 ? [{ target, exists: false, specificity }] : [];
		const flagged = stronger.important && !requestOf(held.property, held.value).important;
		this.held = { ...held, choices: [...held.choices, ...more] };
		this.put({
			into: known < 0 ? held.choices.length : known,
			...(flagged ? { value: `${held.value} !important` } : {})
		});
	}

	/** Writes the value being edited into the sheet; one that the browser does not accept only on insistence. */
	async keep(insist = false): Promise<void> {
		const { pending } = this.choosing;
		if (pending && this.held?.isChosen === false) {
			await pending;
			this.#putFairestFirst();
		}
		const edit = this.#collating.trial;
		if (!this.held || !edit || (!this.valid && !insist)) return;
		this.drop();
		this.#site.history.make(edit);
	}

	/** Discards the edit; the frames are as before. */
	drop(): void {
		this.refusal = null;
		if (!this.held) return;
		this.held = null;
		this.#collating.held = false;
		this.#collating.kept = null;
		this.#setTrial(null);
	}

	/** Removes the declarations of cells, as one step. */
	takeOut(cells: readonly Cell[]): void {
		this.drop();
		const desk = deskOf(this.#site);
		this.refusal = refusalOf(withoutCells(desk, cells));
		if (!this.refusal) this.#site.history.make(desk.working.edit('Declarations removed'));
	}
}
