import { changeBetween, messageOf } from '$lib/core/text/index.ts';
import {
	difference,
	fromInterval,
	intervals,
	isEmpty,
	NOTHING,
	printIntervalSet,
	union,
	type IntervalSet
} from '$lib/core/interval/index.ts';
import { bandAt } from '$lib/core/media/index.ts';
import { foundIn } from '$lib/core/sweep/index.ts';
import {
	changedElements,
	type Changed,
	type EditOnPage,
	type WrittenDeclaration
} from '$lib/core/wake/index.ts';
import type { StagedChange } from '$lib/stage/protocol.ts';
import type { NamedElement } from '$lib/workers/comparing.ts';
import { sweptAs, type Swept } from '$lib/features/findings/sweeping.svelte.ts';
import { carriage } from '$lib/session/carriage.svelte.ts';
import { deskOf } from '$lib/session/desk.ts';
import type { EditedPage } from '$lib/session/comparer.ts';
import { textWithErrands } from '$lib/session/errands.ts';
import type { Proposal } from '$lib/session/proposal.svelte.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { applyEdit } from '$lib/session/steps.ts';
import { changesOver, type Compared, type Compares } from '$lib/inquiry/wake.ts';
import { writeValue, type Desk } from '$lib/writing/declaration.ts';

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
	readonly edited: EditedPage;
	/** The same with what its errands ask for, as frames have it. */
	readonly shown: EditedPage;
	readonly changed: readonly Changed[];
	/** The outermost of what changed by a rule of its own. */
	readonly outermost: readonly NamedElement[];
	/** All widths at which anything changed, and those of them that are not in the band where the carriage stood. */
	readonly widths: IntervalSet;
	readonly outside: IntervalSet;
	/** The band where the carriage stood. */
	readonly meant: IntervalSet;
	/** How many widths were measured, whether every end is exact, and whether every px that it can reach was measured. */
	readonly measured: number;
	readonly exact: boolean;
	readonly whole: boolean;
	readonly elsewhere: readonly WakeElsewhere[];
}

/** What is known of an edit before anything is measured. */
type Edited = Pick<Wake, 'compared' | 'edited' | 'shown' | 'meant'>;

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
		const edited = { path: swept.page.path, before, after: now, files };
		const { as } = sweptAs(swept.lead, swept.plain);
		const meant = fromInterval(bandAt(swept.page.bands(as).bands, carriage.width).interval);
		this.busy = true;
		this.trouble = '';
		try {
			const shown = this.#asShown(edited);
			const compared = await this.#compare(swept, shown, await this.#editOn(swept, shown));
			if (signal.aborted) return;
			const of = { compared, edited, shown, meant };
			let first = true;
			const telling = changesOver(compared, 'every px', signal);
			for (let told = await telling.next(); !told.done; told = await telling.next()) {
				if (signal.aborted) return;
				// What is measured is told of these texts from now on, whatever is written next.
				if (first) this.#base = now;
				first = false;
				await this.#tell(of, told.value, signal);
				if (!this.wake?.exact) continue;
				await this.#lookElsewhere(swept, of, signal);
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
				await this.#tell(of, told.value, signal);
			}
		} catch (error) {
			if (!signal.aborted) this.trouble = messageOf(error);
		}
	}

	/** An edited page with what its errands ask for, as frames have it. */
	#asShown({ path, before, after, files }: EditedPage): EditedPage {
		const shown = (texts: Texts): Texts =>
			this.#site.given.has(path)
				? new Map([...texts, [path, textWithErrands(this.#site, path, texts.get(path) ?? '')]])
				: texts;
		return { path, before: shown(before), after: shown(after), files };
	}

	#editOn({ lead, plain }: Swept, shown: EditedPage): Promise<EditOnPage> {
		return this.#site.comparer.edit(shown, sweptAs(lead, plain).as);
	}

	/** What is to be measured of an edit on a page. */
	async #compare({ stages, lead, plain }: Swept, shown: EditedPage, edit: EditOnPage): Promise<Compared> {
		const { as, stretch } = sweptAs(lead, plain);
		const [before, after] = await this.#site.comparer.contents(shown, stages.prefix, as);
		const staged: readonly StagedChange[] = [];
		return {
			edit,
			contents: [
				{ ...before, staged },
				{ ...after, staged }
			],
			layout: stages,
			as,
			stretch
		};
	}

	async #tell(of: Edited, { known, measured, whole }: Compares, signal: AbortSignal): Promise<void> {
		const found = foundIn(known, of.compared.edit.cuts);
		const changed = changedElements(found);
		const own = changed.filter((one) => !isEmpty(one.own)).map(({ path }) => path);
		const outermost = own.length > 0 ? await this.#site.comparer.outermost(of.shown, own) : [];
		if (signal.aborted) return;
		const widths = allWidths(changed);
		this.wake = {
			...of,
			changed,
			outermost,
			widths,
			outside: difference(widths, of.meant),
			measured,
			exact: found.every(({ exact }) => exact),
			whole,
			elsewhere: this.wake?.edited === of.edited ? this.wake.elsewhere : []
		};
	}

	async #lookElsewhere(swept: Swept, { edited }: Edited, signal: AbortSignal): Promise<void> {
		const others = [...this.#site.texts.values()].filter(
			({ kind, path }) => kind === 'page' && path !== swept.page.path
		);
		for (const { path } of others.slice(0, MOST_PAGES)) {
			if (signal.aborted) return;
			const shown = this.#asShown({ ...edited, path });
			const edit = await this.#editOn(swept, shown);
			if (!edit.concerns || signal.aborted) continue;
			const compared = await this.#compare(swept, shown, edit);
			for await (const { known } of changesOver(compared, 'bands', signal)) {
				if (signal.aborted || this.wake === null) return;
				const changed = changedElements(foundIn(known, compared.edit.cuts));
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

	#here({ outermost, changed, exact, whole, measured }: Wake): string {
		const follows = changed.filter((one) => isEmpty(one.own));
		/** What is called alike and changed at the same widths is told together. */
		const told = new Map<string, number>();
		for (const { path, inside, name } of outermost) {
			const one = changed.find((other) => other.path === path);
			const widths = one ? printIntervalSet(one.own) : '';
			const what = `${name}${inside > 0 ? ` and ${inside} inside it` : ''}, ${widths}`;
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
		const { beyond, written } = wake.compared.edit;
		return !beyond && written.length > 0 && written.every(({ isOfRule }) => isOfRule);
	}

	/** Proposes to have what the edit declares in the band alone where the carriage stood. */
	limit(proposal: Proposal): void {
		const { wake } = this;
		if (!wake) return;
		const [band] = intervals(wake.meant);
		if (!band) return;
		proposal.propose((desk) => {
			restore(desk, wake);
			for (const one of wake.compared.edit.written) {
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

/** Brings texts to what they were before an edit. */
function restore({ working }: Desk, { edited: { files, before } }: Wake): void {
	for (const path of files) {
		const [text, was] = [working.text(path), before.get(path)];
		if (text !== undefined && was !== undefined) working.change(path, [changeBetween(text, was)]);
	}
}

/** Where a declaration is written anew: into its own selector's rule, in the file that it was in. */
const targetOf = ({ file, selectors }: WrittenDeclaration) => ({
	kind: 'rule' as const,
	file,
	selector: selectors.join(', '),
	after: null
});
