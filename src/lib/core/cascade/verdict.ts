import { rememberedWith } from '../remember/index.ts';
import { compareSpecificity, type Specificity } from '../selector/index.ts';
import { candidatesOf } from './candidates.ts';
import type { Candidate, Case, Criterion, Loss } from './case.ts';
import { compareLayers, ranksOf, sameLayer, type LayerRanks } from './layers.ts';

export interface Verdict {
	readonly property: string;
	/** Undefined where no declaration of the page decides. */
	readonly winner: Candidate | undefined;
	/** In cascade order, the strongest first; then those that do not take part. */
	readonly losers: readonly { readonly candidate: Candidate; readonly why: Loss }[];
}

/** Positive where `a` is stronger, with the deciding criterion. */
export function compareCandidates(
	a: Candidate,
	b: Candidate,
	ranks: LayerRanks
): { readonly sign: number; readonly criterion: Criterion } {
	if (a.important !== b.important) return { sign: a.important ? 1 : -1, criterion: 'importance' };
	// For `revert` they have the author's origin; otherwise they are weaker (CSS Cascade 5 §6.2).
	if ((a.attribute === null) !== (b.attribute === null)) {
		return { sign: a.attribute === null ? 1 : -1, criterion: 'presentational-hint' };
	}
	if (!a.hit !== !b.hit) return { sign: a.hit ? -1 : 1, criterion: 'style-attribute' };
	const layers = compareLayers(a.layer, b.layer, ranks) * (a.important ? -1 : 1);
	if (layers !== 0) return { sign: layers, criterion: 'layer' };
	if (a.hit && b.hit) {
		const specific = compareSpecificity(a.hit.specificity, b.hit.specificity);
		if (specific !== 0) return { sign: specific, criterion: 'specificity' };
		if (a.hit.proximity !== b.hit.proximity) {
			return { sign: b.hit.proximity - a.hit.proximity, criterion: 'proximity' };
		}
	}
	return { sign: a.order[0] - b.order[0] || a.order[1] - b.order[1], criterion: 'order' };
}

/** The ranks of the layers that are in force in a case. */
const layerRanks = rememberedWith(
	(of: Case) => of,
	({ layers, holds }) => ranksOf(layers.filter(({ conditions }) => conditions.every(holds)))
);

const keywordOf = (value: string): string => value.trim().toLowerCase();

/**
 * Which declaration decides a longhand or custom property of an element, and why the others do not. `revert` and
 * `revert-layer` are followed; the winner is what they lead to, or there is none.
 */
export function verdictOf(property: string, of: Case): Verdict {
	const ranks = layerRanks(of);
	const { valid, invalid } = candidatesOf(property, of);
	const losers: { candidate: Candidate; why: Loss }[] = [];
	const out: { candidate: Candidate; why: Loss }[] = [...invalid];
	let running: Candidate[] = [];
	for (const candidate of valid) {
		const fails = candidate.conditions.find((one) => !of.holds(one));
		if (fails) out.push({ candidate, why: { kind: 'condition', condition: fails } });
		else if (candidate.hit && candidate.hit.states.length > 0) {
			out.push({ candidate, why: { kind: 'state', states: candidate.hit.states } });
		} else running.push(candidate);
	}
	running.sort((a, b) => compareCandidates(b, a, ranks).sign);
	let winner = running[0];
	while (winner) {
		const keyword = keywordOf(winner.value);
		if (keyword !== 'revert' && keyword !== 'revert-layer') break;
		const from: Candidate = winner;
		losers.push({ candidate: from, why: { kind: 'gave-way', keyword } });
		running = running.filter((one) => one !== from);
		const back = (one: Candidate): boolean =>
			keyword === 'revert' ||
			(one.attribute === from.attribute && !one.hit === !from.hit && sameLayer(one.layer, from.layer));
		for (const one of running.filter(back)) losers.push({ candidate: one, why: beaten(one, from, ranks) });
		running = running.filter((one) => !back(one));
		winner = running[0];
	}
	const decided = winner;
	if (decided) {
		for (const one of running.slice(1)) losers.push({ candidate: one, why: beaten(one, decided, ranks) });
	}
	return { property, winner: decided, losers: [...losers, ...out] };
}

/**
 * Whether a normal declaration, unlayered and unconditional, at the end of one of the page's texts would win a
 * property with this specificity; where it would not, what it would lose to and by which criterion.
 */
export function wouldWin(
	property: string,
	specificity: Specificity,
	text: number,
	of: Case
): { readonly wins: true } | { readonly wins: false; readonly to: Candidate; readonly criterion: Criterion } {
	const { winner } = verdictOf(property, of);
	if (!winner) return { wins: true };
	const ranks = layerRanks(of);
	const requested: Candidate = {
		...winner,
		important: false,
		hit: { selector: '', specificity, proximity: Infinity, states: [] },
		attribute: null,
		layer: [],
		order: [text, Infinity]
	};
	const { sign, criterion } = compareCandidates(requested, winner, ranks);
	return sign > 0 ? { wins: true } : { wins: false, to: winner, criterion };
}

function beaten(loser: Candidate, by: Candidate, ranks: LayerRanks): Loss {
	const { criterion } = compareCandidates(by, loser, ranks);
	const together =
		criterion === 'order' && loser.order[0] === by.order[0] && loser.node?.parent === by.node?.parent;
	return together ? { kind: 'set-again', by } : { kind: 'beaten', by, criterion };
}
