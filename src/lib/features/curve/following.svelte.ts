import { messageOf } from '$lib/core/text/index.ts';
import type { Change, KnownValues, CurvePiece } from '$lib/core/curve/index.ts';
import type { ElementPath } from '$lib/core/html/index.ts';
import {
	fromInterval,
	NOTHING,
	rationalFromNumber,
	union,
	type IntervalSet
} from '$lib/core/interval/index.ts';
import { edgesOf, type FollowReport } from '$lib/inquiry/follow.ts';
import type { Phase } from '$lib/inquiry/rounds.ts';
import { STRETCH, sweptAs, type Swept } from '$lib/features/findings/sweeping.svelte.ts';

/** The parts of a box that can be followed, with their names. */
export const BOX = [
	{ property: 'box:width', name: 'width of the box' },
	{ property: 'box:height', name: 'height of the box' },
	{ property: 'box:left', name: 'left edge' },
	{ property: 'box:top', name: 'upper edge' }
] as const;

/** The state before following begins. */
const NOTHING_YET: Omit<FollowReport, 'values'> = {
	pieces: [],
	changes: [],
	coverage: { measured: 0, of: 0, unseen: 0 },
	phase: 'quick'
};

/** A value of an element at every width, and where it changes. */
export class Following {
	/** What is followed: a property, or a part of the box. */
	property = $state('box:width');
	/** What is followed, and in which vantage. */
	#key = '';
	/** The progress. */
	#report = $state.raw<Omit<FollowReport, 'values'>>(NOTHING_YET);
	known = $state.raw<KnownValues>(new Map());
	trouble = $state('');
	/** The selected change, by the width before it; null for none. */
	chosen = $state<number | null>(null);
	/** What is followed, and in which vantage; null at first. */
	of = $state.raw<{ readonly swept: Swept; readonly path: ElementPath; readonly property: string } | null>(
		null
	);

	get pieces(): readonly CurvePiece[] {
		return this.#report.pieces;
	}
	get changes(): readonly Change[] {
		return this.#report.changes;
	}
	get coverage(): FollowReport['coverage'] {
		return this.#report.coverage;
	}
	get phase(): Phase {
		return this.#report.phase;
	}
	/** Where it changes, as ranges from the px before to the px after. */
	readonly widths: IntervalSet = $derived.by(() =>
		this.changes.reduce((set, { at, after, kind }) => {
			const on = rationalFromNumber(kind === 'knee' ? Math.round(at) : after);
			return union(set, fromInterval({ lo: on, loClosed: true, hi: on, hiClosed: true }));
		}, NOTHING)
	);
	/** The whole px on both sides of each change, ascending. */
	readonly edges: readonly number[] = $derived.by(() => [
		...new Set(this.changes.flatMap((change) => edgesOf(change)))
	]);

	/** Follows a value of an element over all widths, until that is done or the signal ends it. */
	async follow(swept: Swept, path: ElementPath, signal: AbortSignal): Promise<void> {
		const { page, stages, lead } = swept;
		const { property } = this;
		const { as } = sweptAs(lead);
		const key = JSON.stringify([page.path, path, property, { ...as, name: '' }]);
		this.trouble = '';
		if (key !== this.#key) {
			this.#key = key;
			this.#report = NOTHING_YET;
			this.known = new Map();
			this.chosen = null;
		}
		this.of = { swept, path, property };
		let isFirst = true;
		const take = ({ values, ...report }: FollowReport): void => {
			if (signal.aborted) return;
			// The first report contains everything known.
			this.known = new Map([...(isFirst ? [] : this.known), ...values]);
			this.#report = report;
			isFirst = false;
		};
		const asked = { path: page.path, texts: page.texts, as };
		try {
			await stages.measurer.follow(asked, { path, property, stretch: STRETCH }, signal, take);
		} catch (error) {
			if (!signal.aborted) this.trouble = messageOf(error);
		}
	}
}
