import { untrack } from 'svelte';
import type { Change } from '$lib/core/curve/index.ts';
import { messageOf } from '$lib/core/text/index.ts';
import type { SeenVantage } from '$lib/core/vantage/index.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { causeOf, type Cause, type Followed } from './causes.ts';
import type { Following } from './following.svelte.ts';

/** So many changes are explained unasked. */
const EXPLAINED = 12;

/** What is explained: the changes of what is followed, in a vantage. */
interface Explained {
	readonly site: SiteState;
	readonly following: Following;
	readonly as: () => SeenVantage | null;
}

/**
 * Why what is followed changes: the first changes, and the selected one. To be created during component
 * initialisation.
 */
export class Explaining {
	/** By the width before each change, as far as known; for what is followed now. */
	causes = $state.raw<ReadonlyMap<number, Cause>>(new Map());
	trouble = $state('');

	constructor({ site, following, as }: Explained) {
		$effect(() => {
			void following.of;
			this.causes = new Map();
		});
		/** The positions of the changes, which stay the same while widths between them are measured. */
		const placed = $derived(following.changes.map(({ kind, before }) => `${kind} ${before}`).join());
		const isExact = $derived(following.phase !== 'quick');
		$effect(() => {
			void placed;
			const { chosen, of } = following;
			const [vantage, all] = untrack(() => [as(), following.changes] as const);
			if (!isExact || !of || !vantage) return;
			const gone = new AbortController();
			const requested = [...all.filter(({ before }) => before === chosen), ...all.slice(0, EXPLAINED)];
			const settings = site.kept.finding.list;
			const asked = { ...of.swept, ...of, layout: of.swept.stages, as: vantage, settings };
			untrack(() => void this.#explain(asked, requested, all, gone.signal));
			return () => gone.abort();
		});
	}

	async #explain(
		asked: Followed,
		requested: readonly Change[],
		all: readonly Change[],
		signal: AbortSignal
	): Promise<void> {
		this.trouble = '';
		try {
			for (const change of requested) {
				if (this.causes.has(change.before)) continue;
				const cause = await causeOf(asked, change, all, signal);
				if (signal.aborted) return;
				this.causes = new Map([...this.causes, [change.before, cause]]);
			}
		} catch (error) {
			if (!signal.aborted) this.trouble = messageOf(error);
		}
	}
}
