import { valueOf, type Change, type Value } from '$lib/core/curve/index.ts';
import type { ElementPath } from '$lib/core/html/index.ts';
import { toNumber } from '$lib/core/interval/index.ts';
import type { MediaSite } from '$lib/core/media/index.ts';
import { blameOf, type Blame, type Trial } from '$lib/inquiry/blame.ts';
import type { BrokenAt } from '$lib/inquiry/broken.ts';
import { followedOn, toleranceOf } from '$lib/inquiry/follow.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import type { Stages } from '$lib/session/stages.svelte.ts';
import type { InquiredPage } from '$lib/inquiry/page.ts';

/** Why a value changes between two widths. */
export interface Cause {
	/** The declarations whose removal, as tried, prevents the change. */
	readonly blamed: readonly Blame[];
	/** The conditions that begin or cease to hold there. */
	readonly sites: readonly MediaSite[];
	/** What takes more or fewer lines there, by paths: inside it, otherwise around it, otherwise elsewhere. */
	readonly broken: readonly BrokenAt[];
}

/** What is followed, and on which page. */
export interface Followed extends Trial {
	readonly page: PageState;
	readonly layout: Stages;
	readonly path: ElementPath;
	readonly property: string;
}

/** How far on both sides a knee is examined, CSS px, where there is enough room. */
const BESIDE = 32;

/** The conditions that begin or cease to hold between the widths on both sides of a change. */
export function conditionsAt(
	{ page, as }: Pick<Followed, 'page' | 'as'>,
	change: Change
): readonly MediaSite[] {
	const [below, above] = [change.before, change.after];
	return page
		.bands(as)
		.thresholds.filter(({ cut }) => {
			const at = toNumber(cut.at);
			return cut.after ? below <= at && at < above : below < at && at <= above;
		})
		.flatMap(({ causes }) => causes);
}

/** The widths at which a change shows, and its size in what is read there; above 0 there is a change. */
function shownBy(
	change: Change,
	changes: readonly Change[],
	tolerance: number
): { readonly widths: readonly number[]; readonly amount: (values: readonly Value[]) => number } {
	const leap = (a: Value, b: Value): number[] =>
		a.numbers.map((number, i) => Math.abs((b.numbers[i] ?? number) - number));
	if (change.kind !== 'knee') {
		const { before, after, slopes, kind } = change;
		const steep = Math.max(...slopes.map(Math.abs)) * (after - before);
		return {
			widths: [before, after],
			amount: ([a, b]) => {
				if (!a || !b) return Infinity;
				if (kind === 'words' || a.words !== b.words) return a.words === b.words ? 0 : 1;
				return Math.max(0, ...leap(a, b)) - steep - 2 * tolerance;
			}
		};
	}
	const at = Math.round(change.at);
	const room = changes.flatMap((one) => (one === change ? [] : [Math.abs(one.at - at)]));
	const beside = Math.max(1, Math.floor(Math.min(BESIDE, ...room)) - 1);
	return {
		widths: [at - beside, at, at + beside],
		amount: ([a, b, c]) => {
			if (!a || !b || !c) return Infinity;
			if (a.words !== b.words || b.words !== c.words) return 0;
			const bends = b.numbers.map((number, i) =>
				Math.abs((a.numbers[i] ?? NaN) + (c.numbers[i] ?? NaN) - 2 * number)
			);
			return Math.max(0, ...bends) - 4 * tolerance;
		}
	};
}

const isInside = (path: ElementPath, outer: ElementPath): boolean =>
	outer.every((index, i) => path[i] === index);

/** Why a value changes: tried and measured on a stage. */
export async function causeOf(
	followed: Followed,
	change: Change,
	changes: readonly Change[],
	signal: AbortSignal
): Promise<Cause> {
	const { page, layout, as, path, property } = followed;
	const { widths, amount } = shownBy(change, changes, toleranceOf(property));
	const read = async (of: InquiredPage): Promise<Value[]> => {
		const about = { followed: followedOn(path, property) };
		const found = new Map<number, Value>();
		for await (const one of layout.read({ page: of, as, about, widths, priority: 1, signal })) {
			const value = one.readings.get(property);
			if (value !== undefined) found.set(one.width, valueOf(String(value)));
		}
		return widths.flatMap((at) => found.get(at) ?? []);
	};
	const sites = conditionsAt(followed, change);
	const asked = { path: page.path, texts: page.texts, as };
	const broken = sites.length > 0 ? [] : await layout.measurer.broken(asked, path, change, signal);
	// Other lines or rows inside an element explain its height.
	if (broken.some((one) => isInside(one.path, path))) return { blamed: [], sites, broken };
	const blamed = await blameOf(
		followed,
		{
			paths: [path],
			widths: [widths[0] ?? 0, widths.at(-1) ?? 0],
			amount: async (of) => amount(await read(of)),
			flips: sites.length > 0
		},
		signal
	);
	return { blamed, sites, broken: blamed.length > 0 ? [] : broken };
}
