import { insist } from '$lib/session/insist.ts';
import type { ElementPath } from '$lib/core/html/index.ts';
import { complement, fromInterval, type IntervalSet } from '$lib/core/interval/index.ts';
import { bandAt, type Bands } from '$lib/core/media/index.ts';
import { messageOf } from '$lib/core/text/index.ts';
import { seenVantage } from '$lib/core/vantage/index.ts';
import type { Following } from '$lib/features/curve/following.svelte.ts';
import type { Holding } from '$lib/features/holds/holding.svelte.ts';
import { notify } from '$lib/session/notices.svelte.ts';
import { sourcesNow, type Sources } from '$lib/session/lastEdit.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import type { Swept, Sweeping } from '$lib/features/findings/sweeping.svelte.ts';
import type { Waking } from '$lib/features/wake/waking.svelte.ts';

/** What on the Bench determines the measurements. */
interface WatchedBench {
	readonly swept: () => Swept | null;
	readonly bands: () => Bands;
	readonly tab: () => string;
	readonly selected: () => ElementPath | undefined;
}

/** The pauses in changes before the Wake of an edit is measured, and before a sweep, ms. */
const [WAKE_REST, SWEEP_REST] = [700, 400];
/** The time without activity before the rest of a Wake is measured, ms. */
const QUIET = 10_000;

/** Does something after a pause, unless what it depends on changes meanwhile; work in progress is then aborted. */
function afterRest(ms: number, work: (signal: AbortSignal) => Promise<void>): () => void {
	const gone = new AbortController();
	const timer = setTimeout(
		() =>
			void work(gone.signal).catch((error: unknown) => {
				if (!gone.signal.aborted) notify(messageOf(error));
			}),
		ms
	);
	return () => {
		clearTimeout(timer);
		gone.abort();
	};
}

/** The measurements of the page behind the Bench, each started on demand. */
export class Watching {
	readonly #site: SiteState;
	readonly #bench: WatchedBench;
	/** What the first edit is compared with. */
	readonly #opened: Sources;
	/** What is wrong, width by width. */
	sweeping = $state.raw<Sweeping | null>(null);
	/** Where the selection changes. */
	following = $state.raw<Following | null>(null);
	/** What the last edit changed. */
	waking = $state.raw<Waking | null>(null);
	/** What must stay as it is. */
	holding = $state.raw<Holding | null>(null);
	readonly isHolding: boolean = $derived.by(() => this.#site.kept.hold.list.length > 0);
	readonly #isTrying: boolean = $derived.by(() =>
		[...this.#site.texts.values()].some(({ trial }) => trial.length > 0)
	);
	/** Whether somebody is typing in a long text: measurements would slow down the typing, and soon be out of date. */
	readonly #isTyping: boolean = $derived.by(() =>
		[...this.#site.texts.values()].some(({ isBehind }) => isBehind)
	);

	/** What is measured, the same object as long as only the carriage moves; null while somebody is typing. */
	#last: Swept | null = null;
	readonly #still: Swept | null = $derived.by(() => {
		if (this.#isTyping) return null;
		const swept = this.#bench.swept();
		const key = (of: Swept | null): string => (of ? JSON.stringify({ ...of.lead, width: 0 }) : '');
		const isSame =
			key(swept) === key(this.#last) &&
			swept?.page === this.#last?.page &&
			swept?.stages === this.#last?.stages;
		return isSame ? this.#last : (this.#last = swept);
	});

	/** To be created during component initialisation. */
	constructor(site: SiteState, bench: WatchedBench) {
		this.#site = site;
		this.#bench = bench;
		this.#opened = sourcesNow(site);
		$effect(() => {
			const tab = bench.tab();
			if (tab === 'findings' && !this.sweeping) void this.#bringSweeping();
			if (tab === 'curve' && !this.following) void this.#bringFollowing();
		});
		$effect(() => {
			const { sweeping } = this;
			const swept = this.#sweptAs(this.#still);
			if (!sweeping || !swept || sweeping.stopped) return;
			void [swept.page.conditions, sweeping.paused, sweeping.stretch];
			return afterRest(SWEEP_REST, (signal) => sweeping.sweep(swept, signal));
		});
		$effect(() => this.sweeping?.setKinds(site.kept.finding.list));
		$effect(() => {
			const { following } = this;
			const [swept, path] = [this.#still, bench.selected()];
			if (!following || !swept || !path || bench.tab() !== 'curve') return;
			void [swept.page.conditions, following.property];
			return afterRest(SWEEP_REST, (signal) => following.follow(swept, path, signal));
		});
		$effect(() => {
			const swept = bench.swept();
			if (!this.isHolding || !swept || this.holding) return;
			void this.bringHolding().then((of) => of.check(swept, new AbortController().signal));
		});
		$effect(() => {
			const swept = this.#still;
			const hasErrands = site.kept.errand.list !== this.#opened.errands;
			const isEdited =
				hasErrands || this.waking !== null || [...site.texts.values()].some(({ dirty }) => dirty);
			if (!swept || this.#isTrying || !isEdited) return;
			void swept.page.conditions;
			return afterRest(WAKE_REST, (signal) => this.#wake(swept, signal));
		});
		$effect(() => {
			const { waking } = this;
			const rest = waking?.rest;
			if (!waking || waking.busy || !rest || !this.#isQuiet) return;
			return afterRest(QUIET, (signal) => waking.complete(rest, signal));
		});
	}

	/** Whether nothing is being swept, so that the rest of a Wake can be measured. */
	readonly #isQuiet: boolean = $derived.by(() => {
		const { sweeping } = this;
		if (this.#isTyping) return false;
		return !sweeping || sweeping.phase === 'done' || sweeping.paused || sweeping.stopped;
	});

	/** What is swept for findings: the lead, or the vantage chosen for it. */
	#sweptAs(swept: Swept | null): Swept | null {
		const chosen = this.#site.vantages.named(this.sweeping?.vantage ?? null);
		return swept && chosen
			? {
					...swept,
					lead: seenVantage(chosen, swept.made.switches),
					made: { ...swept.made, window: chosen }
				}
			: swept;
	}

	async #bringSweeping(): Promise<void> {
		const module = await insist(() => import('$lib/features/findings/sweeping.svelte.ts'));
		this.sweeping ??= new module.Sweeping(this.#site);
	}

	async #bringFollowing(): Promise<void> {
		const module = await insist(() => import('$lib/features/curve/following.svelte.ts'));
		this.following ??= new module.Following();
	}

	bringHolding = async (): Promise<Holding> => {
		const module = await insist(() => import('$lib/features/holds/holding.svelte.ts'));
		return (this.holding ??= new module.Holding(this.#site));
	};

	/** Holds the carriage's band of the page, or everything else. */
	async hold(but: boolean): Promise<void> {
		const band = fromInterval(bandAt(this.#bench.bands().bands, this.#site.carriage.width).interval);
		const holding = await this.bringHolding();
		const swept = this.#bench.swept();
		if (!swept) return;
		await holding.hold(swept, {
			widths: but ? complement(band) : band,
			scope: 'all',
			path: null,
			pages: [swept.page.path]
		});
	}

	async #wake(swept: Swept, signal: AbortSignal): Promise<void> {
		const module = await insist(() => import('$lib/features/wake/waking.svelte.ts'));
		this.waking ??= new module.Waking(this.#site, this.#opened);
		if (!signal.aborted) await this.waking.look(swept, signal);
		if (!signal.aborted) await this.holding?.check(swept, signal);
	}

	/** Further stops for the key to the next breakpoint, in whole px, ascending. */
	readonly stops: readonly number[] = $derived.by(() => {
		const tab = this.#bench.tab();
		if (tab === 'findings') return this.sweeping?.edges ?? [];
		return tab === 'curve' ? (this.following?.edges ?? []) : [];
	});

	/** The widths of findings, or of changes of what is followed, while that panel is shown. */
	readonly found: IntervalSet | null = $derived.by(() => {
		const tab = this.#bench.tab();
		if (tab === 'findings') return this.sweeping?.widths ?? null;
		return tab === 'curve' ? (this.following?.widths ?? null) : null;
	});
}
