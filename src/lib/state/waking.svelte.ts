import { messageOf } from '../core/text/index.ts';
import {
	difference,
	fromInterval,
	intervals,
	isEmpty,
	type Interval,
	NOTHING,
	printIntervalSet,
	union,
	type IntervalSet
} from '../core/interval/index.ts';
import { bandAt } from '../core/media/index.ts';
import { nameAt } from '../core/html/index.ts';
import { foundIn } from '../core/sweep/index.ts';
import {
	changedElements,
	outermost,
	type Changed,
	type Touched,
	type TouchedDeclaration
} from '../core/wake/index.ts';
import { sweptAs, type Swept } from './sweeping.svelte.ts';
import { carriage } from './carriage.svelte.ts';
import { deskOf } from './desk.ts';
import { PageState } from './page.svelte.ts';
import type { Proposal } from './proposal.svelte.ts';
import { readPath } from './selection.svelte.ts';
import type { SiteState } from './site.svelte.ts';
import { applyEdit } from './steps.ts';
import { changesOver, sortedCuts, touchedOn, type Compared, type Compares } from './wake.ts';
import { writeValue, type Desk } from './writing.ts';

type Texts = ReadonlyMap<string, string>;

/** What an edit changed on another page of the site, at the ends and middles of its bands. */
export interface WakeElsewhere {
	readonly page: string;
	readonly count: number;
	readonly widths: IntervalSet;
}

/** What the last edit changed. */
export interface Wake {
	readonly compared: Compared;
	readonly files: readonly string[];
	/** The texts before it and after it. */
	readonly before: Texts;
	readonly now: Texts;
	readonly changed: readonly Changed[];
	/** All widths at which anything changed, and those of them that are not in the band where the carriage stood. */
	readonly widths: IntervalSet;
	readonly outside: IntervalSet;
	/** The band where the carriage stood. */
	readonly meant: IntervalSet;
	/** What the edit put in, took out or moved. */
	readonly touched: Touched;
	/** How many widths were measured, whether every end is exact, and whether every px that it can reach was measured. */
	readonly measured: number;
	readonly exact: boolean;
	readonly whole: boolean;
	readonly elsewhere: readonly WakeElsewhere[];
}

/** What is known of an edit before anything is measured. */
type Edited = Pick<Wake, 'compared' | 'files' | 'before' | 'now' | 'touched' | 'meant'>;

/** What of a comparison is still to be measured. */
interface Rest {
	readonly of: Edited;
	readonly telling: AsyncGenerator<Compares>;
}

/** How long what is measured in quiet time is gathered before it is told, ms. */
const GATHER = 1500;

/** So many other pages are measured at most. */
const MOST_PAGES = 12;

const textsOf = (site: SiteState): Texts => new Map([...site.texts].map(([path, { text }]) => [path, text]));

const allWidths = (changed: readonly Changed[]): IntervalSet =>
	changed.reduce((set, { own, moved }) => union(set, union(own, moved)), NOTHING);

/** Tells what each edit changed, element by element, in which widths. */
export class Waking {
	readonly #site: SiteState;
	/** The texts that the next edit is held against. */
	#base: Texts;
	/** What is left of the last look; null before there is any. */
	rest = $state.raw<Rest | null>(null);
	wake = $state.raw<Wake | null>(null);
	/** Whether the page is being measured for it. */
	busy = $state(false);
	/** Why it is not known; '' where it is. */
	trouble = $state('');

	/** `base`: the texts that the first edit is held against. */
	constructor(site: SiteState, base: Texts) {
		this.#site = site;
		this.#base = base;
	}

	/** Measures what changed since it was last asked; nothing where no text did. */
	async look(swept: Swept, signal: AbortSignal): Promise<void> {
		const [before, now] = [this.#base, textsOf(this.#site)];
		const files = [...now].flatMap(([path, text]) => (before.get(path) === text ? [] : [path]));
		if (files.length === 0) return;
		const compared = this.#compare(swept, swept.page.path, before, now);
		const edit = touchedOn(compared, files);
		const { touched } = edit;
		const meant = fromInterval(bandHere(compared));
		this.busy = true;
		this.trouble = '';
		try {
			let first = true;
			const telling = changesOver(compared, edit, 'every px', signal);
			for (let told = await telling.next(); !told.done; told = await telling.next()) {
				if (signal.aborted) return;
				// What is measured is told of these texts from now on, whatever is written next.
				if (first) this.#base = now;
				first = false;
				const of = { compared, files, before, now, touched, meant };
				this.#tell(of, told.value);
				if (!this.wake?.exact) continue;
				await this.#lookElsewhere(swept, signal);
				if (!signal.aborted) this.rest = { of, telling };
				return;
			}
		} catch (error) {
			if (!signal.aborted) this.trouble = messageOf(error);
		} finally {
			if (!signal.aborted) this.busy = false;
		}
	}

	/** Goes on with what is left of a look, in quiet time, until every px is measured that the edit can reach. */
	async complete({ of, telling }: Rest, signal: AbortSignal): Promise<void> {
		let shown = performance.now();
		try {
			while (!signal.aborted) {
				const told = await telling.next();
				if (told.done) return;
				if (!told.value.whole && performance.now() - shown < GATHER) continue;
				shown = performance.now();
				this.#tell(of, told.value);
			}
		} catch (error) {
			if (!signal.aborted) this.trouble = messageOf(error);
		}
	}

	#compare({ stages, lead, plain }: Swept, path: string, before: Texts, now: Texts): Compared {
		const page = (texts: Texts): PageState => new PageState(this.#site, path, (file) => texts.get(file));
		return { before: page(before), after: page(now), stages, ...sweptAs(lead, plain) };
	}

	#tell(of: Edited, { known, measured, whole }: Compares): void {
		const { as } = of.compared;
		const cuts = [of.compared.before, of.compared.after].flatMap((page) =>
			page.bands(as).thresholds.map(({ cut }) => cut)
		);
		const found = foundIn(known, sortedCuts(cuts));
		const changed = changedElements(found);
		const widths = allWidths(changed);
		this.wake = {
			...of,
			changed,
			widths,
			outside: difference(widths, of.meant),
			measured,
			exact: found.every(({ exact }) => exact),
			whole,
			elsewhere: this.wake?.now === of.now ? this.wake.elsewhere : []
		};
	}

	async #lookElsewhere(swept: Swept, signal: AbortSignal): Promise<void> {
		const { wake } = this;
		if (!wake || signal.aborted) return;
		const others = [...this.#site.texts.values()].filter(
			({ kind, path }) => kind === 'page' && path !== swept.page.path
		);
		for (const { path } of others.slice(0, MOST_PAGES)) {
			if (signal.aborted) return;
			const compared = this.#compare(swept, path, wake.before, wake.now);
			const uses = ({ conditions }: PageState): boolean =>
				conditions.places.some(({ file }) => wake.files.includes(file));
			if (!wake.files.includes(path) && !uses(compared.before) && !uses(compared.after)) continue;
			for await (const { known } of changesOver(compared, touchedOn(compared, wake.files), 'bands', signal)) {
				if (signal.aborted || this.wake === null) return;
				const cuts = compared.after.bands(compared.as).thresholds.map(({ cut }) => cut);
				const changed = changedElements(foundIn(known, cuts));
				if (changed.length === 0) continue;
				const one = { page: path, count: changed.length, widths: allWidths(changed) };
				this.wake = { ...this.wake, elsewhere: [...this.wake.elsewhere, one] };
			}
		}
	}

	/** In words: what changed where, what is outside of the band that was meant first. */
	readonly words: readonly { readonly text: string; readonly warns: boolean }[] = $derived.by(() => {
		const { wake } = this;
		if (!wake) return [];
		if (wake.changed.length === 0) {
			const at = wake.whole ? 'every px' : `${wake.measured} width${wake.measured === 1 ? '' : 's'} so far`;
			return [
				{ text: wake.measured === 0 ? 'Nothing could change.' : `Nothing changed, at ${at}.`, warns: false }
			];
		}
		const outside = isEmpty(wake.outside)
			? []
			: [{ text: `Also beyond the carriage’s band: ${printIntervalSet(wake.outside)}.`, warns: true }];
		const elsewhere = wake.elsewhere.map(({ page, count, widths }) => ({
			text: `${page}: ${count} element${count === 1 ? '' : 's'}, ${printIntervalSet(widths)}.`,
			warns: true
		}));
		return [...outside, { text: this.#here(wake), warns: false }, ...elsewhere];
	});

	#here({ compared, changed, exact, whole, measured }: Wake): string {
		const { after, before } = compared;
		const name = (path: string): string =>
			nameAt(after.page, readPath(path), nameAt(before.page, readPath(path), 'something'));
		const own = changed.filter((one) => !isEmpty(one.own));
		const follows = changed.filter((one) => isEmpty(one.own));
		/** What is called alike and changed at the same widths is told together. */
		const told = new Map<string, number>();
		for (const { path, inside } of outermost(own.map(({ path }) => path))) {
			const one = own.find((other) => other.path === path);
			const widths = one ? printIntervalSet(one.own) : '';
			const what = `${name(path)}${inside > 0 ? ` and ${inside} inside it` : ''}, ${widths}`;
			told.set(what, (told.get(what) ?? 0) + 1);
		}
		const parts = [...told].slice(0, 3).map(([what, count]) => (count > 1 ? `${count} × ${what}` : what));
		const more = told.size > 3 ? [`${told.size - 3} more`] : [];
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

	/** Takes the edit back, as one step. */
	takeBack(): void {
		const { wake } = this;
		if (!wake) return;
		const desk = deskOf(this.#site);
		restore(desk, wake);
		applyEdit(this.#site.texts, desk.working.edit('taken back'));
	}

	/** Whether it can be limited to the band that was meant: what it declares is of rules, and not of conditions alone. */
	get canLimit(): boolean {
		const { wake } = this;
		if (!wake || isEmpty(wake.outside)) return false;
		const { touched } = wake;
		return (
			!touched.beyond && touched.after.length > 0 && touched.after.every(({ declared }) => declared.rule)
		);
	}

	/** Proposes to have what the edit declares in the band alone where the carriage stood. */
	limit(proposal: Proposal): void {
		const { wake } = this;
		if (!wake) return;
		const [band] = intervals(wake.meant);
		if (!band) return;
		proposal.propose((desk) => {
			restore(desk, wake);
			for (const one of wake.touched.after) {
				const refusal = writeValue(desk, targetOf(one), band, one);
				if (refusal) return refusal;
			}
			return {
				does: `What was written holds in ${printIntervalSet(fromInterval(band))} alone.`,
				notes: []
			};
		});
	}
}

/** The band that the carriage stands in, by the page as it was. */
const bandHere = ({ before, as }: Compared): Interval =>
	bandAt(before.bands(as).bands, carriage.width).interval;

/** Brings texts to what they were before an edit. */
function restore({ working }: Desk, { files, before }: Wake): void {
	for (const path of files) {
		const [text, was] = [working.text(path), before.get(path)];
		if (text !== undefined && was !== undefined) working.change(path, [replaced(text, was)]);
	}
}

/** Where a declaration is written anew: into its own selector's rule, in the file that it was in. */
const targetOf = ({ declared }: TouchedDeclaration) => ({
	kind: 'rule' as const,
	file: declared.file,
	selector: declared.selectors.join(', '),
	after: null
});

/** The smallest stretch of a text that makes it another. */
function replaced(text: string, wished: string): { start: number; end: number; text: string } {
	let start = 0;
	while (start < text.length && start < wished.length && text[start] === wished[start]) start++;
	let end = 0;
	while (
		end < text.length - start &&
		end < wished.length - start &&
		text.at(-1 - end) === wished.at(-1 - end)
	)
		end++;
	return { start, end: text.length - end, text: wished.slice(start, wished.length - end) };
}
