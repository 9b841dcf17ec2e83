import type { Outcome } from '$lib/core/cascade/index.ts';
import type { ElementPath } from '$lib/core/html/index.ts';
import type { PageConditions } from '$lib/core/site/index.ts';
import { chain, done, type Result } from '$lib/core/text/index.ts';
import { deskOf } from '$lib/session/desk.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { fairestFirst, othersOf, placed, type Others, type RulePlace } from '$lib/writing/choosing.ts';
import { choicesFor, keyOf, type Choice } from '$lib/writing/targets.ts';
import type { Collating } from './collating.svelte.ts';
import type { PendingValue } from './extent.ts';

/** How long a value to be written waits for counts, ms. */
const PATIENCE = 3000;

/** Where values of the Collation can go, and what each such place matches besides the selection. */
export class Choosing {
	readonly #site: SiteState;
	readonly #collating: Collating;
	/** What choices match besides the selection, by their keys, as far as counted. */
	known = $state.raw<ReadonlyMap<string, Others>>(new Map());
	#conditions: PageConditions | null = null;
	#paths: readonly ElementPath[] = [];
	#pending: Promise<void> | null = null;

	constructor(site: SiteState, collating: Collating) {
		this.#site = site;
		this.#collating = collating;
	}

	/** The pending counts; null where there are none. */
	get pending(): Promise<void> | null {
		if (!this.#pending) return null;
		return Promise.race([this.#pending, new Promise<void>((end) => setTimeout(end, PATIENCE))]);
	}

	/** The choices for a value at a width, the fairest first as far as counted. */
	choices(width: number, outcome?: Outcome): Result<readonly Choice[]> {
		const { looked, settled, others } = this.#collating;
		if (!looked || !settled) return done([]);
		const cases = [settled, ...others].flatMap(({ lineage }) => lineage.at(width)[0] ?? []);
		const winner = outcome?.kind === 'own' ? outcome.own.winner : undefined;
		return chain(choicesFor(deskOf(this.#site), looked, cases, outcome), (all) => {
			this.#forget();
			return done(fairestFirst(all, this.known, winner));
		});
	}

	/** The choices for the value being edited, the fairest first by the present counts. */
	fairest({ choices, cell }: PendingValue): readonly Choice[] {
		return fairestFirst(choices, this.known, cell.from);
	}

	/** The choices for the value being edited, with new rules at another place. */
	placed({ choices }: PendingValue, file: string, place: RulePlace): readonly Choice[] {
		const caret = this.#site.texts.get(file)?.state.selection.main.head ?? 0;
		const desk = deskOf(this.#site);
		return choices.map((one) => (one.exists ? one : placed(desk, choices, one, file, place, caret)));
	}

	/** Starts counting before a value is edited. */
	look(): void {
		const choices = this.choices(this.#collating.settled?.widths[0] ?? 0);
		if (choices.ok) void this.count(choices.value);
	}

	/** Drops the counts for another selection, or from before the page was changed. */
	#forget(): void {
		const { page, paths } = this.#collating.looked ?? {};
		if (this.#conditions === page?.conditions && this.#paths === paths) return;
		[this.#conditions, this.#paths, this.known] = [page?.conditions ?? null, paths ?? [], new Map()];
	}

	/** Counts what has not been counted yet. */
	async count(choices: readonly Choice[]): Promise<void> {
		this.#forget();
		const { looked } = this.#collating;
		const unknown = choices.filter((one) => one.target.kind === 'rule' && !this.known.has(keyOf(one)));
		if (unknown.length === 0 || !looked) return;
		const paths = this.#paths;
		const conditions = this.#conditions;
		const counted = othersOf(looked.page.answers, unknown, paths.length).then(
			(found) => {
				if (this.#paths === paths && this.#conditions === conditions)
					this.known = new Map([...this.known, ...found]);
			},
			// Without a frame nothing is counted, and the rule that sets the value so far comes first.
			() => undefined
		);
		this.#pending = counted;
		await counted;
		if (this.#pending === counted) this.#pending = null;
	}
}
