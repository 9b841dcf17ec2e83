import { seenVantage } from '$lib/core/vantage/index.ts';
import { messageOf, type Result } from '$lib/core/text/index.ts';
import { nameAt, type ElementPath, printPaths, readPath } from '$lib/core/html/index.ts';
import { NOTHING, union, type IntervalSet } from '$lib/core/interval/index.ts';
import { storeWidths, widthsFrom } from '$lib/core/interval/store.ts';
import type { Hold } from '$lib/core/wake/hold.ts';
import { allWidths, type Changed } from '$lib/core/wake/index.ts';
import type { HoldReport } from '$lib/core/wake/report.ts';
import type { PageTexts } from '$lib/session/pageTexts.ts';
import { PageState } from '$lib/session/page.svelte.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { sweptAs, type Swept } from '$lib/features/findings/sweeping.svelte.ts';

/** What has changed since a Hold was made. */
export interface Breach {
	readonly hold: Hold;
	readonly changed: readonly Changed[];
	readonly widths: IntervalSet;
}

/** The identity of a Hold. */
export const holdKey = ({ page, scope, element, measurement }: Hold): string =>
	[page, scope, element, measurement].join(' ');

/** What is to be held. */
export interface HoldRequest {
	readonly widths: IntervalSet;
	readonly scope: Hold['scope'];
	/** The element concerned; null for the whole page. */
	readonly path: ElementPath | null;
	readonly pages: readonly string[];
}

/** What must not change, and what of it has. */
export class Holding {
	readonly #site: SiteState;
	/** The state of each Hold, by its measurement: the breach, or null where nothing has changed. */
	#checked = $state.raw<ReadonlyMap<string, Breach | null>>(new Map());
	busy = $state(false);
	trouble = $state('');

	constructor(site: SiteState) {
		this.#site = site;
	}

	get list(): readonly Hold[] {
		return this.#site.kept.hold.list;
	}

	/** The broken Holds. */
	readonly breaches: readonly Breach[] = $derived.by(() =>
		this.list.flatMap((hold) => this.#checked.get(holdKey(hold)) ?? [])
	);

	/** The held widths of a page. */
	widthsOn(page: string): IntervalSet {
		return this.list
			.filter((hold) => hold.page === page)
			.reduce((set, { widths }) => union(set, widthsFrom(widths)), NOTHING);
	}

	/** The state of a Hold: broken, unchanged, or not measured yet. */
	stateOf(hold: Hold): 'broken' | 'holds' | 'unknown' {
		const known = this.#checked.get(holdKey(hold));
		return known === undefined ? 'unknown' : known === null ? 'holds' : 'broken';
	}

	/** Makes a Hold of the present state, which is measured and stored with the site. */
	async hold(swept: Swept, { widths, scope, path, pages }: HoldRequest): Promise<void> {
		this.busy = true;
		this.trouble = '';
		try {
			const made: Hold[] = [];
			for (const page of pages) made.push(await this.#measured(swept, page, widths, scope, path));
			const { ok } = await this.#site.kept.hold.keep((list) => [...list, ...made], 'held');
			if (!ok) return;
			this.#checked = new Map([...this.#checked, ...made.map((one) => [holdKey(one), null] as const)]);
		} catch (error) {
			this.trouble = messageOf(error);
		} finally {
			this.busy = false;
		}
	}

	#page = ({ page }: Swept, path: string): PageState =>
		path === page.path ? page : new PageState(this.#site, path);

	async #measured(
		swept: Swept,
		path: string,
		widths: IntervalSet,
		scope: Hold['scope'],
		element: ElementPath | null
	): Promise<Hold> {
		const page = this.#page(swept, path);
		const { as, stretch } = sweptAs(swept.lead);
		const asked = { path, texts: page.texts, as };
		const measurement = await swept.stages.measurer.hold(asked, widths, stretch);
		return {
			page: path,
			widths: storeWidths(widths),
			scope,
			element: element ? printPaths([element]).replace(/^r$/, '') : '',
			name: element ? nameAt(page.page, element, '') : '',
			height: as.height,
			density: as.density,
			...swept.made,
			revision: this.#site.revision,
			unsaved: this.#site.dirty.length > 0,
			at: new Date().toISOString(),
			measurement,
			allowed: []
		};
	}

	/** Compares the Holds of every page with the present state. */
	async check(swept: Swept, signal: AbortSignal): Promise<void> {
		this.trouble = '';
		for (const hold of this.list) {
			try {
				const breach = await this.#checkOne(swept, hold, signal);
				if (signal.aborted) return;
				// It may have been allowed, or renewed, meanwhile: then this is outdated.
				if (!this.#isHeld(hold)) continue;
				this.#checked = new Map([...this.#checked, [holdKey(hold), breach]]);
			} catch (error) {
				if (!signal.aborted) this.trouble = messageOf(error);
			}
		}
	}

	/** Whether a Hold still exists unchanged. */
	#isHeld(hold: Hold): boolean {
		const read = JSON.stringify(hold);
		return this.list.some((one) => JSON.stringify(one) === read);
	}

	/** What to measure, in the vantage in which a Hold was made. */
	#asMade(swept: Swept, { window, switches, height, density }: Hold): Swept {
		if (!window || !switches) return { ...swept, lead: { ...swept.lead, height, density } };
		const lead = { ...seenVantage(window, switches), name: swept.lead.name };
		return { ...swept, lead, made: { window, switches } };
	}

	/** The page of a Hold, as it is to be measured. */
	#asked(swept: Swept, hold: Hold): PageTexts {
		const { as } = sweptAs(this.#asMade(swept, hold).lead);
		return { path: hold.page, texts: this.#page(swept, hold.page).texts, as };
	}

	async #checkOne(swept: Swept, hold: Hold, signal?: AbortSignal): Promise<Breach | null> {
		const changed = await swept.stages.measurer.changed(this.#asked(swept, hold), hold, signal);
		return changed.length > 0 ? { hold, changed, widths: allWidths(changed) } : null;
	}

	#change(hold: Hold, next: readonly Hold[], what: string): Promise<Result> {
		const key = holdKey(hold);
		return this.#site.kept.hold.keep(
			(list) => list.flatMap((one) => (holdKey(one) === key ? next : [one])),
			what
		);
	}

	/** Allows the changed elements of a Hold to differ. */
	async allow({ hold, changed }: Breach): Promise<void> {
		const paths = changed.map(({ path }) => path);
		const { ok } = await this.#change(hold, [{ ...hold, allowed: [...hold.allowed, ...paths] }], 'allowed');
		if (ok) this.#checked = new Map([...this.#checked, [holdKey(hold), null]]);
	}

	/** Makes the present state the held one. */
	async renew(swept: Swept, hold: Hold): Promise<void> {
		const path = hold.scope === 'all' ? null : readPath(hold.element);
		try {
			const as = this.#asMade(swept, hold);
			const next = await this.#measured(as, hold.page, widthsFrom(hold.widths), hold.scope, path);
			const { ok } = await this.#change(hold, [{ ...next, allowed: hold.allowed }], 'held anew');
			if (ok) this.#checked = new Map([...this.#checked, [holdKey(next), null]]);
		} catch (error) {
			this.trouble = messageOf(error);
		}
	}

	drop = (hold: Hold): Promise<Result> => this.#change(hold, [], 'Hold deleted');

	/** The name of an element of a page, by its path. */
	nameOf(swept: Swept, page: string, path: string): string {
		return nameAt(this.#page(swept, page).page, readPath(path), 'something that is gone');
	}

	async report(swept: Swept, hold: Hold): Promise<HoldReport> {
		const known = this.#checked.get(holdKey(hold));
		// Nothing counts as unchanged without a measurement.
		const breach = known === undefined ? await this.#checkOne(swept, hold) : known;
		return swept.stages.measurer.holdReport(this.#asked(swept, hold), hold, breach?.changed ?? []);
	}
}
