import type { Declaration, Span } from '../css/index.ts';
import { compareSpecificity, type Specificity } from '../selector/index.ts';
import { compareLayers, ranksOf, sameLayer, type LayerRanks } from './layers.ts';
import type { Condition, Declared, Layer, LayerMention } from './sheets.ts';

/** What only an engine can say of CSS. */
export interface Engine {
	/**
	 * The longhands that a declaration sets, each with its text ('' where that is known only later, after `var()`);
	 * null for a property or value that the engine does not know.
	 */
	expand(property: string, value: string): ReadonlyMap<string, string> | null;
	/** Whether a value fits the syntax of a registered custom property that has this initial value (CSS Properties and Values 1 §5). */
	fits(syntax: string, initial: string, value: string): boolean;
	/** Whether the engine knows a property by name. */
	knows(property: string): boolean;
	/** Every longhand that it has. */
	readonly longhands: readonly string[];
}

/** How a selector hits an element. */
export interface Hit {
	readonly selector: string;
	readonly specificity: Specificity;
	/** Generations from the element up to the root of the innermost `@scope`; infinite outside of any. */
	readonly proximity: number;
	/** Pseudo-classes that would have to hold first, `:hover` and its like; it does not hit without them. */
	readonly states: readonly string[];
}

/** Declarations that could apply to an element, with how. */
export interface Applying {
	readonly declared: Declared;
	readonly hit: Hit;
}

/** A declaration of a style attribute. */
export interface StyleDeclaration {
	readonly property: string;
	readonly value: string;
	readonly important: boolean;
	/** In the page's text. */
	readonly span: Span;
	readonly file: string;
}

/** A declaration that bears on a property, as it stands in the cascade. */
export interface Candidate {
	/** As it is written: a shorthand has its own name here. */
	readonly property: string;
	readonly written: string;
	/** What it gives the property in question; '' where a `var()` in a shorthand leaves it open. */
	readonly value: string;
	readonly important: boolean;
	readonly file: string;
	/** In the file's text. */
	readonly span: Span;
	/** Null for a style attribute and for a presentational one. */
	readonly hit: Hit | null;
	/** The name of a presentational attribute that says it; null for all else. */
	readonly attribute: string | null;
	readonly layer: Layer;
	readonly conditions: readonly Condition[];
	/** Where it stands among all declarations: text of the page, then place in it. */
	readonly order: readonly [text: number, at: number];
	readonly node: Declaration | null;
}

/** By what one declaration comes before another (CSS Cascade 6 §6.1). */
export type Criterion =
	'importance' | 'presentational-hint' | 'style-attribute' | 'layer' | 'specificity' | 'proximity' | 'order';

/** Why a candidate lost. */
export type Loss =
	| { readonly kind: 'condition'; readonly condition: Condition }
	| { readonly kind: 'state'; readonly states: readonly string[] }
	| { readonly kind: 'unknown-name' }
	| { readonly kind: 'not-valid' }
	| { readonly kind: 'beaten'; readonly by: Candidate; readonly criterion: Criterion }
	/** The same rule, or the same attribute, sets it again. */
	| { readonly kind: 'set-again'; readonly by: Candidate }
	/** It won, and gave way by its own word. */
	| { readonly kind: 'gave-way'; readonly keyword: 'revert' | 'revert-layer' };

export interface Verdict {
	readonly property: string;
	/** Undefined where no declaration of the page's own decides. */
	readonly winner: Candidate | undefined;
	/** In cascade order, the strongest first; then those that do not take part. */
	readonly losers: readonly { readonly candidate: Candidate; readonly why: Loss }[];
}

/** Whether a condition holds at the widths, and for the element, that are asked about. */
export type Holds = (condition: Condition) => boolean;

/** Positive where `a` is stronger, with the criterion that decides. */
export function compareCandidates(
	a: Candidate,
	b: Candidate,
	ranks: LayerRanks
): { readonly sign: number; readonly criterion: Criterion } {
	if (a.important !== b.important) return { sign: a.important ? 1 : -1, criterion: 'importance' };
	// To `revert` they are of the author's origin; to all else they are weaker (CSS Cascade 5 §6.2).
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

/** What an element's declarations are decided by, besides themselves. */
export interface Case {
	/** Cases of one element at several widths share this list; no other case may have it. */
	readonly applying: readonly Applying[];
	readonly style: readonly StyleDeclaration[];
	/** What its presentational attributes say. */
	readonly hints: readonly (StyleDeclaration & { readonly attribute: string })[];
	readonly layers: readonly LayerMention[];
	readonly holds: Holds;
	/** The longhands as which the element's writing mode takes a logical property; others as they are. */
	readonly physical: (longhand: string) => string;
	readonly engine: Engine;
}

/** Whether `all` sets a property (CSS Cascade 5 §3.2). */
const isOfAll = (property: string): boolean =>
	!property.startsWith('--') && property !== 'direction' && property !== 'unicode-bidi';

/** The candidates of a longhand or custom property, in no order; with what is not valid. */
interface Candidates {
	readonly valid: readonly Candidate[];
	readonly invalid: readonly { readonly candidate: Candidate; readonly why: Loss }[];
}

const NO_CANDIDATES: Candidates = { valid: [], invalid: [] };

/** By the declarations of an element, which are told apart by the list of those that apply: what bears on each property. */
const indexes = new WeakMap<readonly Applying[], ReadonlyMap<string, Candidates>>();

/** Every candidate of a property; they are sorted by property once for an element. */
export function candidatesOf(property: string, of: Case): Candidates {
	let index = indexes.get(of.applying);
	if (!index) indexes.set(of.applying, (index = indexOf(of)));
	const own = index.get(property.startsWith('--') ? property : of.physical(property)) ?? NO_CANDIDATES;
	const everything = isOfAll(property) ? (index.get('all')?.valid ?? []) : [];
	return everything.length > 0 ? { ...own, valid: [...own.valid, ...everything] } : own;
}

/** Where the declarations of a case stand for longhands by their physical names; those of `all` are under its own. */
function indexOf({ applying, style, hints, physical, engine }: Case): Map<string, Candidates> {
	const index = new Map<string, { valid: Candidate[]; invalid: { candidate: Candidate; why: Loss }[] }>();
	const at = (name: string) => {
		let found = index.get(name);
		if (!found) index.set(name, (found = { valid: [], invalid: [] }));
		return found;
	};
	const put = (name: string, written: string, candidate: (value: string) => Candidate): void => {
		if (name.startsWith('--')) {
			at(name).valid.push(candidate(written));
			return;
		}
		const set = engine.expand(name, written);
		if (set && name === 'all') at(name).valid.push(candidate(written));
		else if (set) {
			for (const [longhand, value] of set) at(physical(longhand)).valid.push(candidate(value));
		} else {
			const why: Loss = { kind: engine.knows(name) ? 'not-valid' : 'unknown-name' };
			at(physical(name)).invalid.push({ candidate: candidate(written), why });
		}
	};
	for (const { declared, hit } of applying) {
		for (const node of declared.declarations) {
			const written = declared.source.slice(node.value.start, node.value.end);
			put(node.property, written, (value) => ({
				property: node.property,
				written,
				value,
				important: node.important,
				file: declared.file,
				span: { start: node.span.start + declared.offset, end: node.span.end + declared.offset },
				hit,
				attribute: null,
				layer: declared.layer,
				conditions: declared.conditions,
				order: [declared.text, node.span.start],
				node
			}));
		}
	}
	const attributes = [
		...hints.map((one) => ({ ...one, text: -1 })),
		...style.map((one) => ({ ...one, attribute: null, text: Infinity }))
	];
	attributes.forEach(({ property: name, value: written, important, span, file, attribute, text }, i) => {
		put(name, written, (value) => ({
			property: name,
			written,
			value,
			important,
			file,
			span,
			hit: null,
			attribute,
			layer: [],
			conditions: [],
			order: [text, i],
			node: null
		}));
	});
	return index;
}

/** Everything that is declared on an element, as written, in no order. */
export function declarationsOn({ applying, style, hints }: Case): { property: string; value: string }[] {
	return [
		...applying.flatMap(({ declared: { declarations, source } }) =>
			declarations.map(({ property, value }) => ({ property, value: source.slice(value.start, value.end) }))
		),
		...style,
		...hints
	];
}

/** The longhands and custom properties that anything of an element's own sheets or style attribute sets. */
export function propertiesSet(of: Case): Set<string> {
	const { physical, engine } = of;
	const found = new Set<string>();
	const put = (name: string, value: string): void => {
		if (name.startsWith('--')) found.add(name);
		else if (name === 'all') {
			if (!engine.expand(name, value)) return;
			for (const longhand of engine.longhands) if (isOfAll(longhand)) found.add(physical(longhand));
		} else for (const longhand of engine.expand(name, value)?.keys() ?? []) found.add(physical(longhand));
	};
	for (const { property, value } of declarationsOn(of)) put(property, value);
	return found;
}

const ranksOfCases = new WeakMap<Case, LayerRanks>();

/** The ranks of the layers that are in force in a case. */
function layerRanks(of: Case): LayerRanks {
	let ranks = ranksOfCases.get(of);
	if (!ranks) {
		ranks = ranksOf(of.layers.filter(({ conditions }) => conditions.every(of.holds)));
		ranksOfCases.set(of, ranks);
	}
	return ranks;
}

const keywordOf = (value: string): string => value.trim().toLowerCase();

/**
 * Which declaration decides a longhand or custom property of an element, and why each other does not. `revert`
 * and `revert-layer` are followed; what they lead to stands as the winner, or none does.
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
 * Whether a declaration without a flag, in no layer and under no condition, at the end of a text of the page, would
 * win a property with a selector so specific; with what it would lose to, and by what, where it would not.
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
	const wished: Candidate = {
		...winner,
		important: false,
		hit: { selector: '', specificity, proximity: Infinity, states: [] },
		attribute: null,
		layer: [],
		order: [text, Infinity]
	};
	const { sign, criterion } = compareCandidates(wished, winner, ranks);
	return sign > 0 ? { wins: true } : { wins: false, to: winner, criterion };
}

function beaten(loser: Candidate, by: Candidate, ranks: LayerRanks): Loss {
	const { criterion } = compareCandidates(by, loser, ranks);
	const together =
		criterion === 'order' && loser.order[0] === by.order[0] && loser.node?.parent === by.node?.parent;
	return together ? { kind: 'set-again', by } : { kind: 'beaten', by, criterion };
}
