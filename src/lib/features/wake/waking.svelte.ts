import { changeBetween, done, messageOf } from '$lib/core/text/index.ts';
import { difference, fromInterval, intervals, isEmpty, printIntervalSet } from '$lib/core/interval/index.ts';
import { bandAt } from '$lib/core/media/index.ts';
import { allWidths, type EditOnPage, type WrittenDeclaration } from '$lib/core/wake/index.ts';
import type { Comparison } from '$lib/workers/comparison.ts';
import { sweptAs, type Swept } from '$lib/features/findings/sweeping.svelte.ts';
import { editedPage, lastEdit, type Sources } from '$lib/session/lastEdit.ts';
import type { EditedPage } from '$lib/session/measurer.ts';
import type { Proposal } from '$lib/session/proposal.svelte.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { valuesAsked, type Depth } from '$lib/inquiry/wake.ts';
import { writeValue, type Desk } from '$lib/writing/declaration.ts';
import { wakeWords, type Wake, type WakeWords } from './wake.ts';

/** The state before anything about an edit is measured. */
type Edited = Pick<Wake, 'edit' | 'edited' | 'last' | 'meant' | 'at' | 'words'>;

/** The part of a comparison still to be measured. */
interface Rest {
	readonly swept: Swept;
	readonly of: Edited;
	readonly telling: AsyncGenerator<Comparison>;
	/** Pages still to be measured; each is removed afterwards. */
	readonly pages: string[];
}

/** How long idle measurements are gathered before they are reported, ms. */
const GATHER = 1500;

/** Reports what each edit changed, element by element, and at which widths. */
export class Waking {
	readonly #site: SiteState;
	/** What the next edit is compared with. */
	#base: Sources;
	/** The rest of the last comparison; null before there is any. */
	rest = $state.raw<Rest | null>(null);
	wake = $state.raw<Wake | null>(null);
	/** Whether the results are of an earlier edit, while the last one is being measured. */
	isOld = $state(false);
	/** Whether the page is being measured for it. */
	busy = $state(false);
	/** The step of the Wake. */
	#step: number | undefined;
	/** The number of comparisons so far: only the last one reports its end. */
	#looks = 0;
	/** Why it is unknown; otherwise ''. */
	trouble = $state('');

	/** `base`: what the first edit is compared with. */
	constructor(site: SiteState, base: Sources) {
		this.#site = site;
		this.#base = base;
	}

	/** Measures what changed since the last call; nothing where nothing did. */
	async look(swept: Swept, signal: AbortSignal): Promise<void> {
		const last = lastEdit(this.#site, this.#base);
		this.isOld = last !== undefined;
		const step = this.#site.history.last?.step.number;
		if (!last && step === this.#step) return;
		this.#step = step;
		// The rest is that of the newest step, or there is none.
		this.rest = null;
		if (!last) {
			this.wake = null;
			return;
		}
		const at = new Date();
		const edited = editedPage(this.#site, last, swept.page.path);
		this.#site.history.name();
		const words = this.#site.history.lastInWords();
		const { as } = sweptAs(swept.lead);
		const meant = fromInterval(bandAt(swept.page.bands(as).bands, this.#site.carriage.width).interval);
		this.busy = true;
		this.trouble = '';
		const looks = ++this.#looks;
		let first = true;
		try {
			const edit = await swept.stages.measurer.edit(edited, as);
			if (signal.aborted) return;
			const of = { edit, edited, last, meant, at, words };
			const telling = this.#compare(swept, edited, edit, 'every px', signal);
			for (let next = await telling.next(); !next.done; next = await telling.next()) {
				if (signal.aborted) return;
				// From now on the results are about this edit, whatever is written next.
				if (first) this.#base = last.after;
				first = false;
				this.#report(of, next.value);
				if (!this.wake?.exact) continue;
				const pages = this.#others(edited);
				this.rest = { swept, of, telling, pages };
				await this.#lookElsewhere(swept, of, pages, signal);
				return;
			}
		} catch (error) {
			if (!signal.aborted) this.trouble = messageOf(error);
		} finally {
			// A measurement that was abandoned without results is repeated.
			if (looks === this.#looks && !(signal.aborted && first)) this.busy = false;
		}
	}

	/**
	 * Continues with the rest of a comparison, when idle, until every other page is measured, and this one at every px
	 * that the edit can reach.
	 */
	async complete({ swept, of, telling, pages }: Rest, signal: AbortSignal): Promise<void> {
		let shown = performance.now();
		try {
			await this.#lookElsewhere(swept, of, pages, signal);
			while (!signal.aborted) {
				const next = await telling.next();
				if (next.done || signal.aborted) return;
				if (!next.value.whole && performance.now() - shown < GATHER) continue;
				shown = performance.now();
				this.#report(of, next.value);
			}
		} catch (error) {
			if (!signal.aborted) this.trouble = messageOf(error);
		}
	}

	/** Compares a page before an edit and after it. */
	#compare(
		{ stages, lead }: Swept,
		edited: EditedPage,
		edit: EditOnPage,
		depth: Depth,
		signal: AbortSignal
	): AsyncGenerator<Comparison> {
		const { as, stretch } = sweptAs(lead);
		const values = valuesAsked(stages.engine, edit);
		const settings = this.#site.kept.finding.list;
		return stages.measurer.compare(edited, as, { edit, values, stretch, depth, settings }, signal);
	}

	#report(of: Edited, compared: Comparison): void {
		const widths = allWidths(compared.changed);
		this.isOld = false;
		this.wake = {
			...of,
			...compared,
			widths,
			outside: difference(widths, of.meant),
			...(this.wake?.edited === of.edited
				? { elsewhere: this.wake.elsewhere, left: this.wake.left }
				: { elsewhere: [], left: this.#others(of.edited).length })
		};
	}

	/** The site's other pages; whether an edit affects each is determined one by one. */
	#others({ path: own }: EditedPage): string[] {
		return [...this.#site.texts.values()].flatMap(({ kind, path }) =>
			kind === 'page' && path !== own ? [path] : []
		);
	}

	/** Measures pages one after the other; each is removed from `pages` afterwards. */
	async #lookElsewhere(swept: Swept, { last }: Edited, pages: string[], signal: AbortSignal): Promise<void> {
		for (let [path] = pages; path !== undefined; [path] = pages) {
			const edited = editedPage(this.#site, last, path);
			const edit = await swept.stages.measurer.edit(edited, sweptAs(swept.lead).as);
			if (signal.aborted) return;
			let compared: Comparison | undefined;
			if (edit.concerns)
				for await (compared of this.#compare(swept, edited, edit, 'bands', signal))
					if (signal.aborted) return;
			if (this.wake === null) return;
			pages.shift();
			this.wake = { ...this.wake, left: this.wake.left - 1 };
			const { changed, findings } = compared ?? { changed: [], findings: [] };
			if (changed.length === 0 && findings.length === 0) continue;
			const one = { page: path, count: changed.length, widths: allWidths(changed), findings };
			this.wake = { ...this.wake, elsewhere: [...this.wake.elsewhere, one] };
		}
	}

	/** In words: what changed where, what is outside of the band that was meant first. */
	readonly words: readonly WakeWords[] = $derived.by(() => (this.wake ? wakeWords(this.wake) : []));

	/** Takes the step back that was made last, or makes it again where that was taken back. */
	takeBack(): void {
		if (this.isBack) this.#site.history.redo();
		else this.#site.history.undo();
	}

	/** Whether what was done last is that a step was taken back. */
	get isBack(): boolean {
		return this.#site.history.last?.how === 'back';
	}

	/** Whether it can be limited to the band that was meant: what it declares is of rules, and not of conditions alone. */
	get canLimit(): boolean {
		const { wake } = this;
		if (!wake || isEmpty(wake.outside)) return false;
		const { beyond, written } = wake.edit;
		return !beyond && written.length > 0 && written.every(({ isOfRule }) => isOfRule);
	}

	/** Proposes to restrict the edit's declarations to the band where the carriage was. */
	limit(proposal: Proposal): void {
		const { wake } = this;
		if (!wake) return;
		const [band] = intervals(wake.meant);
		if (!band) return;
		proposal.propose((desk) => {
			restore(desk, wake);
			for (const one of wake.edit.written) {
				const written = writeValue(desk, targetOf(one), band, one);
				if (!written.ok) return written;
			}
			return done({
				summary: `What was written holds in ${printIntervalSet(fromInterval(band))} alone.`,
				notes: []
			});
		});
	}
}

/** Restores the texts from before an edit. */
function restore({ working }: Desk, { last: { files, before } }: Wake): void {
	for (const path of files) {
		const [text, was] = [working.text(path), before.texts.get(path)];
		if (text !== undefined && was !== undefined) working.change(path, [changeBetween(text, was)]);
	}
}

/** Where a declaration is written again: into its own selector's rule, in its former file. */
const targetOf = ({ file, selectors }: WrittenDeclaration) => ({
	kind: 'rule' as const,
	file,
	selector: selectors.join(', '),
	after: null
});
