import type { MovedFile } from '$lib/core/history/index.ts';
import { changeBetween, done, messageOf } from '$lib/core/text/index.ts';
import { difference, fromInterval, intervals, isEmpty, printIntervalSet } from '$lib/core/interval/index.ts';
import { bandAt } from '$lib/core/media/index.ts';
import { allWidths, type EditOnPage, type WrittenDeclaration } from '$lib/core/wake/index.ts';
import type { Comparison } from '$lib/workers/comparison.ts';
import type { Texts } from '$lib/workers/texts.ts';
import { sweptAs, type Swept } from '$lib/features/findings/sweeping.svelte.ts';
import { textWithErrands } from '$lib/session/errands.ts';
import type { EditedPage } from '$lib/session/measurer.ts';
import type { Proposal } from '$lib/session/proposal.svelte.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { valuesAsked, type Depth } from '$lib/inquiry/wake.ts';
import { writeValue, type Desk } from '$lib/writing/declaration.ts';
import { wakeWords, type Wake, type WakeWords } from './wake.ts';

/** The state before anything about an edit is measured. */
type Edited = Pick<Wake, 'edit' | 'edited' | 'meant' | 'at' | 'words'>;

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

/** A file that moved from one path to another, null for none. */
type Moved = Pick<MovedFile, 'from' | 'to'>;

/** The path of a page, and its path before a file moved. */
const pathsOf = (path: string, moved: Moved | undefined): Pick<EditedPage, 'path' | 'pathBefore'> => ({
	path,
	pathBefore: (path === moved?.to && moved.from) || path
});

const textsOf = (site: SiteState): Texts => new Map([...site.texts].map(([path, { text }]) => [path, text]));

/** Reports what each edit changed, element by element, and at which widths. */
export class Waking {
	readonly #site: SiteState;
	/** The texts with which the next edit is compared. */
	#base: Texts;
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

	/** `base`: the texts with which the first edit is compared. */
	constructor(site: SiteState, base: Texts) {
		this.#site = site;
		this.#base = base;
	}

	/** Measures what changed since the last call; nothing where no text did. */
	async look(swept: Swept, signal: AbortSignal): Promise<void> {
		const [base, now] = [this.#base, textsOf(this.#site)];
		const isNew = now.size !== base.size || [...now].some(([path, text]) => base.get(path) !== text);
		const moved = this.#lastMoved();
		const before = this.#beforeLast(now, base, moved) ?? base;
		const files = isNew
			? [...new Set([...before.keys(), ...now.keys()])].filter(
					(path) => before.get(path) !== now.get(path) && (path !== moved?.from || moved.to === null)
				)
			: [];
		this.isOld = files.length > 0;
		const step = this.#site.history.last?.step.number;
		if (files.length === 0 && step === this.#step) return;
		this.#step = step;
		// The rest is that of the newest step, or there is none.
		this.rest = null;
		if (files.length === 0) {
			this.wake = null;
			return;
		}
		const at = new Date();
		const edited = { ...pathsOf(swept.page.path, moved), before, after: now, files };
		this.#site.history.name();
		const words = this.#site.history.lastInWords();
		const { as } = sweptAs(swept.lead);
		const meant = fromInterval(bandAt(swept.page.bands(as).bands, this.#site.carriage.width).interval);
		this.busy = true;
		this.trouble = '';
		const looks = ++this.#looks;
		let first = true;
		try {
			const shown = this.#asShown(edited);
			const edit = await swept.stages.measurer.edit(shown, as);
			if (signal.aborted) return;
			const of = { edit, edited, meant, at, words };
			const telling = this.#compare(swept, shown, edit, 'every px', signal);
			for (let next = await telling.next(); !next.done; next = await telling.next()) {
				if (signal.aborted) return;
				// From now on the results are about these texts, whatever is written next.
				if (first) this.#base = now;
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

	/** The paths between which the last thing done moved a file; undefined where it moved none. */
	#lastMoved(): Moved | undefined {
		const { step, how } = this.#site.history.last ?? {};
		const { moved } = step ?? {};
		return moved && how === 'back' ? { from: moved.to, to: moved.from } : moved;
	}

	/**
	 * All texts before the last thing done, by their paths then; undefined where one has changed since. The content of
	 * a deleted file is taken from `base`.
	 */
	#beforeLast(now: Texts, base: Texts, moved: Moved | undefined): Texts | undefined {
		const { history } = this.#site;
		const before = new Map<string, string>();
		for (const [path, text] of now) {
			const was = path === moved?.to ? moved.from : path;
			if (was === null) continue;
			const textBefore = history.before(path, text);
			if (textBefore === undefined) return undefined;
			before.set(was, textBefore);
		}
		const gone = moved?.to === null && moved.from !== null ? base.get(moved.from) : undefined;
		if (moved?.from && gone !== undefined) before.set(moved.from, gone);
		// Pictures and fonts are only available at their present paths.
		return moved?.to && moved.from && !now.has(moved.to) ? now : before;
	}

	/** An edited page with its errands applied, as in frames. */
	#asShown({ path, pathBefore, before, after, files }: EditedPage): EditedPage {
		const shown = (texts: Texts, at: string): Texts =>
			this.#site.given.has(path)
				? new Map([...texts, [at, textWithErrands(this.#site, path, texts.get(at) ?? '')]])
				: texts;
		return { path, pathBefore, before: shown(before, pathBefore), after: shown(after, path), files };
	}

	/** Compares a page before an edit and after it. */
	#compare(
		{ stages, lead }: Swept,
		shown: EditedPage,
		edit: EditOnPage,
		depth: Depth,
		signal: AbortSignal
	): AsyncGenerator<Comparison> {
		const { as, stretch } = sweptAs(lead);
		const values = valuesAsked(stages.engine, edit);
		const settings = this.#site.kept.finding.list;
		return stages.measurer.compare(shown, as, { edit, values, stretch, depth, settings }, signal);
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
	async #lookElsewhere(
		swept: Swept,
		{ edited }: Edited,
		pages: string[],
		signal: AbortSignal
	): Promise<void> {
		for (let [path] = pages; path !== undefined; [path] = pages) {
			const shown = this.#asShown({ ...edited, path, pathBefore: path });
			const edit = await swept.stages.measurer.edit(shown, sweptAs(swept.lead).as);
			if (signal.aborted) return;
			let compared: Comparison | undefined;
			if (edit.concerns)
				for await (compared of this.#compare(swept, shown, edit, 'bands', signal)) if (signal.aborted) return;
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
function restore({ working }: Desk, { edited: { files, before } }: Wake): void {
	for (const path of files) {
		const [text, was] = [working.text(path), before.get(path)];
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
