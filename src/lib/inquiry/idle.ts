import { verdictOf, type Case, type Verdict } from '../core/cascade/index.ts';
import {
	FACT_LONGHANDS,
	IDLE_LONGHANDS,
	noEffectOf,
	type Facts,
	type NoEffect
} from '../core/effect/index.ts';
import { sliceOf } from '../core/css/index.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { Vantage } from '../core/vantage/index.ts';
import type { ElementFacts, FactsFound } from '../stage/protocol.ts';
import { casesOf, readCascade, type Cases } from './cases.ts';
import type { InquiredPage } from './page.ts';
import type { Layout } from './layout.ts';

/** A declaration without effect on any element of the lead where it decides. */
export interface IneffectiveDeclaration extends NoEffect {
	/** In the file's text. */
	readonly end: number;
	/** The number of these elements. */
	readonly count: number;
}

/** Rules that match more elements than this are not judged: all of their elements would have to be examined. */
const MOST = 60;

interface JudgedElements {
	readonly facts: readonly Facts[];
	/** The verdicts of each element. */
	readonly verdicts: readonly Verdicts[];
}

/** The cached verdict on a property of one element. */
type Verdicts = (property: string) => Verdict;

function verdictsOf(of: Case): Verdicts {
	const known = new Map<string, Verdict>();
	return (property) => {
		const physical = of.physical(property);
		let found = known.get(physical);
		if (!found) known.set(physical, (found = verdictOf(physical, of)));
		return found;
	};
}

/** The facts of elements, each from its own answer, its parent's and its children's. */
function factsFrom(elements: readonly ElementFacts[], verdicts: readonly Verdicts[]): Facts[] {
	const children = new Map<number, number[]>();
	elements.forEach(({ parent }, i) => children.set(parent, [...(children.get(parent) ?? []), i]));
	const found: Facts[] = [];
	elements.forEach(({ tag, computed, parent, words, whole }, i) => {
		found.push({
			tag,
			words,
			computed: (longhand) => computed.get(longhand) ?? '',
			specified: (longhand) => verdicts[i]?.(longhand).winner?.value,
			parent: found[parent] ?? null,
			children: () => (whole ? (children.get(i) ?? []).flatMap((child) => found[child] ?? []) : null)
		});
	});
	return found;
}

/** A stage's answers about elements at a width, with the cases at the time of asking. */
function read(cases: Cases, width: number, { elements }: FactsFound): JudgedElements {
	const verdicts = elements.map((one) => verdictsOf(cases.of(one.path, one)(width)));
	return { facts: factsFrom(elements, verdicts), verdicts };
}

/**
 * The facts of the first element of a question, from a stage's answers at a width; undefined where it is not there.
 * `cases` must be those at the time of asking: later ones would misread the answers.
 */
export const factsIn = (cases: Cases, width: number, found: FactsFound): Facts | undefined =>
	read(cases, width, found).facts[found.hits[0]?.[0] ?? -1];

/** The facts of an element of the lead, with its children and ancestors. */
export async function factsOf(
	page: InquiredPage,
	layout: Layout,
	vantage: Vantage,
	path: ElementPath
): Promise<Facts | undefined> {
	const cases = casesOf(page, layout, vantage);
	return factsIn(cases, vantage.width, await layout.facts('lead', [path], 1, FACT_LONGHANDS));
}

/**
 * The declarations of a file that have no effect in the lead as it is: for every element where one decides, and each
 * longhand that it sets, a kind of `core/effect` applies. Declarations that decide nowhere here are not included.
 */
export async function ineffectiveDeclarations(
	page: InquiredPage,
	layout: Layout,
	vantage: Vantage,
	file: string
): Promise<IneffectiveDeclaration[]> {
	await layout.pace(readCascade(page));
	const cases = casesOf(page, layout, vantage);
	const { cascade, engine } = cases;
	const asked = cascade.declared.flatMap((declared) => {
		if (declared.file !== file || declared.scopes.length > 0) return [];
		const declarations = declared.declarations.flatMap((node) => {
			const longhands = [
				...(engine.expand(node.property, sliceOf(declared.source, node.value))?.keys() ?? [])
			];
			return longhands.length > 0 && longhands.every((one) => IDLE_LONGHANDS.has(one))
				? [{ node, longhands }]
				: [];
		});
		return declarations.length > 0 ? [{ declared, declarations }] : [];
	});
	const sought = asked.map(({ declared }) => declared.selectors.join(', '));
	const found = await layout.facts('lead', sought, MOST, FACT_LONGHANDS);
	const { hits } = found;
	const { facts, verdicts } = read(cases, vantage.width, found);
	return asked.flatMap(({ declared, declarations }, i) =>
		declarations.flatMap(({ node, longhands }): IneffectiveDeclaration[] => {
			const at = node.span.start + declared.offset;
			const decides = (hits[i] ?? []).filter((element) =>
				longhands.some((one) => {
					const winner = verdicts[element]?.(one).winner;
					return winner?.file === file && winner.span.start === at;
				})
			);
			const effects = decides.map((element) => {
				const of = facts[element];
				const each = of ? longhands.map((one) => noEffectOf(one, of)) : [undefined];
				return each.every((one) => one !== undefined) ? each[0] : undefined;
			});
			const [first] = effects;
			return first && effects.every((one) => one !== undefined)
				? [{ ...first, end: page.inFile(file, node.span.end + declared.offset), count: effects.length }]
				: [];
		})
	);
}
