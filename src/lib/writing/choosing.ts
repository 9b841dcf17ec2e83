import type { Candidate } from '../core/cascade/index.ts';
import { ruleAt } from '../core/css/index.ts';
import { compareSpecificity, elementsOf } from '../core/selector/index.ts';
import type { Hitting } from '../inquiry/hits.ts';
import { partAt, type Desk } from './declaration.ts';
import { keyOf, lastOf, type Choice } from './targets.ts';

/** What a choice matches besides the selected elements. */
export interface Others {
	/** Elements of the page in the frames. */
	readonly here: number;
	/** Elements of other pages that use its file. */
	readonly elsewhere: number;
	/** The number of such pages with any. */
	readonly pages: number;
}

/** The total number of others. */
export const sumOf = ({ here, elsewhere }: Others): number => here + elsewhere;

/**
 * What choices match besides `selected` elements, by their keys; choices that browsers cannot parse are left out.
 */
export async function othersOf(
	by: Pick<Hitting, 'hits' | 'otherHits'>,
	choices: readonly Choice[],
	selected: number
): Promise<ReadonlyMap<string, Others>> {
	const selectors = new Map<string, Set<string>>();
	for (const { target } of choices) {
		if (target.kind !== 'rule') continue;
		const all = selectors.get(target.file) ?? new Set();
		selectors.set(target.file, all.add(elementsOf(target.selector)));
	}
	const found = new Map<string, Others>();
	await Promise.all(
		[...selectors].map(async ([file, all]) => {
			const asked = [...all];
			const [hits, elsewhere] = await Promise.all([by.hits(asked), by.otherHits(file, asked)]);
			for (const choice of choices) {
				const { target } = choice;
				if (target.kind !== 'rule' || target.file !== file) continue;
				const i = asked.indexOf(elementsOf(target.selector));
				const here = hits[i];
				if (here === null || here === undefined) continue;
				const counts = [...elsewhere.values()].flatMap((one) => one[i] || []);
				found.set(keyOf(choice), {
					here: Math.max(0, here - selected),
					elsewhere: counts.reduce((sum, one) => sum + one, 0),
					pages: counts.length
				});
			}
		})
	);
	return found;
}

/**
 * Choices with the fairest first: a rule that matches only what is selected, where it would beat `winner`, which sets
 * the value so far; otherwise a new rule that matches fewer others than any existing one; otherwise in their given
 * order.
 */
export function fairestFirst(
	choices: readonly Choice[],
	others: ReadonlyMap<string, Others>,
	winner: Candidate | undefined
): readonly Choice[] {
	const count = (choice: Choice): number => {
		if (choice.target.kind === 'style') return 0;
		const known = others.get(keyOf(choice));
		return known ? sumOf(known) : Infinity;
	};
	const saying = winner?.hit
		? choices.findIndex(({ target }) => target.kind === 'rule' && target.selector === winner.hit?.selector)
		: -1;
	const strength = (one: Choice, other: Choice): number =>
		compareSpecificity(one.specificity ?? [1, 0, 0], other.specificity ?? [1, 0, 0]);
	const isLater = ({ target, exists }: Choice, by: Choice): boolean =>
		target.kind === 'rule' &&
		by.target.kind === 'rule' &&
		target.file === by.target.file &&
		(!exists || (target.after ?? 0) > (by.target.after ?? 0));
	const holds = (choice: Choice): boolean => {
		const by = choices[saying];
		if (!by || choice === by) return true;
		return strength(choice, by) > 0 || (strength(choice, by) === 0 && isLater(choice, by));
	};
	const exact = choices.find((one) => one.exists && count(one) === 0 && holds(one));
	const fewest = Math.min(...choices.filter(({ exists }) => exists).map(count));
	const fresh = choices
		.filter((one) => !one.exists && count(one) < fewest && holds(one))
		.toSorted((a, b) => count(a) - count(b))[0];
	const first = exact ?? fresh;
	return first ? [first, ...choices.filter((one) => one !== first)] : choices;
}

/**
 * Where in a file a new rule goes: after those that match what is selected, after the rule at the caret, or at the
 * end.
 */
export type RulePlace = 'beside' | 'caret' | 'end';

/** Moves the choice of a new rule to a place of a file, whose caret is at an offset. */
export function placed(
	desk: Desk,
	choices: readonly Choice[],
	choice: Choice,
	file: string,
	place: RulePlace,
	caret: number
): Choice {
	const { target } = choice;
	if (target.kind === 'style') return choice;
	return { ...choice, target: { ...target, file, after: placeIn(desk, choices, file, place, caret) } };
}

function placeIn(
	desk: Desk,
	choices: readonly Choice[],
	file: string,
	place: RulePlace,
	caret: number
): number | null {
	if (place === 'end') return null;
	if (place === 'beside') return lastOf(choices, file);
	const part = partAt(desk, file, caret);
	const rule = part && ruleAt(part.sheet, caret - part.from);
	return part && rule ? part.from + rule.span.start : null;
}
