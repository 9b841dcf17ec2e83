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

/** How long a value that is to be written waits for counts, ms. */
const PATIENCE = 3000;

/** Where values of what is collated can go, and what each such place matches besides what is selected. */
export class Choosing {
	readonly #site: SiteState;
	readonly #collating: Collating;
	/** What choices match besides what is selected, by their keys, as far as it is counted. */
	known = $state.raw<ReadonlyMap<string, Others>>(new Map());
	#conditions: PageConditions | null = null;
	#paths: readonly ElementPath[] = [];
	#pending: Promise<void> | null = null;

	constructor(site: SiteState, collating: Collating) {
		this.#site = site;
		this.#collating = collating;
	}

	/** The counts that are on their way; null where none are. */
	get pending(): Promise<void> | null {
		if (!this.#pending) return null;
		return Promise.race([this.#pending, new Promise<void>((end) => setTimeout(end, PATIENCE))]);
	}

	/** The choices for a value at a width, the fairest first as far as they are counted. */
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

	/** Those of a value in the hand, the fairest first now that more is counted. */
	fairest({ choices, cell }: PendingValue): readonly Choice[] {
		return fairestFirst(choices, this.known, cell.from);
	}

	/** Those of a value in the hand, new rules at another place. */
	placed({ choices }: PendingValue, file: string, place: RulePlace): readonly Choice[] {
		const caret = this.#site.texts.get(file)?.state.selection.main.head ?? 0;
		const desk = deskOf(this.#site);
		return choices.map((one) => (one.exists ? one : placed(desk, choices, one, file, place, caret)));
	}

	/** Counts before a value is taken into the hand. */
	look(): void {
		const choices = this.choices(this.#collating.settled?.widths[0] ?? 0);
		if (choices.ok) void this.count(choices.value);
	}

	/** Forgets what was counted for another selection, or before the page was changed. */
	#forget(): void {
		const { page, paths } = this.#collating.looked ?? {};
		if (this.#conditions === page?.conditions && this.#paths === paths) return;
		[this.#conditions, this.#paths, this.known] = [page?.conditions ?? null, paths ?? [], new Map()];
	}

	/** Counts what is not counted yet. */
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
			// Without a frame nothing is counted, and nothing comes before what says the value so far.
			() => undefined
		);
		this.#pending = counted;
		await counted;
		if (this.#pending === counted) this.#pending = null;
	}
}
