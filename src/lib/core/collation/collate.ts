import {
	candidatesOf,
	decider,
	isInherited,
	outcomeOf,
	propertiesSet,
	type Candidate,
	type Case,
	type Condition,
	type Outcome,
	type PageCascade
} from '../cascade/index.ts';
import { GROUPS, groupOf, type Group } from './group.ts';

/** The value of one row in one column. */
export interface Cell {
	readonly outcome: Outcome;
	/** The declaration that it comes from; undefined where no sheet of the page sets anything. */
	readonly from: Candidate | undefined;
	/** The value as written for the row's property; '' where there is none. */
	readonly text: string;
	/** Whether it comes from the same declaration as in the column to the left. */
	readonly same: boolean;
	/** The declaration that would give the element the same value without this one, which is therefore redundant. */
	readonly redundant: Candidate | undefined;
}

/** A Collation's row for one property, or for several that the same shorthands set: a cell per column. */
export interface Row {
	/** A longhand, a shorthand that sets exactly these longhands, or several longhands separated by commas. */
	readonly name: string;
	readonly longhands: readonly string[];
	/** Longhands that `name` also sets and that have rows of their own. */
	readonly without: readonly string[];
	readonly group: Group;
	readonly cells: readonly Cell[];
}

export interface Collated {
	/** Sorted by group, then by name. */
	readonly rows: readonly Row[];
}

export interface CollateRequest {
	/**
	 * The cases of the element and of each of its ancestors, starting with the element: for each column, at a width of
	 * it.
	 */
	readonly columns: readonly (readonly Case[])[];
	/** Whether the element so many generations up has its parent's computed value of a property. */
	readonly sameAsParent: (property: string, up: number) => boolean;
	readonly registered: PageCascade['registered'];
	/** Properties, including shorthands, that get rows even if nobody declares them. */
	readonly also?: readonly string[];
}

const placeOf = ({ file, span }: Candidate): string => `${file}:${span.start}`;

/** Identifies an outcome by its declaration, and by whose declaration it is. */
const identity = (outcome: Outcome): string => {
	const from = decider(outcome);
	return `${outcome.kind === 'inherited' ? outcome.up : ''} ${from ? placeOf(from) : outcome.kind}`;
};

/** Every condition that matters to a property of an element, or of the ancestors that it may inherit it from. */
function conditionsOn(property: string, cases: readonly Case[], inherited: boolean): Condition[] {
	// The ranks of layers may depend on conditions too.
	const found = new Set<Condition>(cases[0]?.layers.flatMap(({ conditions }) => conditions));
	for (const of of inherited ? cases : cases.slice(0, 1)) {
		for (const { conditions } of candidatesOf(property, of).valid)
			for (const one of conditions) found.add(one);
	}
	return [...found];
}

/** An outcome for each column; columns in which the same conditions hold share one. */
function outcomesOf(property: string, { columns, sameAsParent, registered }: CollateRequest): Outcome[] {
	const [first] = columns;
	if (!first) return [];
	const inherited = isInherited(property, registered);
	const conditions = conditionsOn(property, first, inherited);
	// Each ancestor has containers of its own.
	const sharing = conditions.every(({ kind }) => kind !== 'container');
	const known = new Map<string, Outcome | undefined>();
	return columns.flatMap((cases) => {
		const key = conditions.map((one) => (cases[0]?.holds(one) ? '1' : '0')).join('');
		let outcome = sharing ? known.get(key) : undefined;
		outcome ??= outcomeOf(property, cases, (up) => sameAsParent(property, up), registered);
		known.set(key, outcome);
		return outcome ?? [];
	});
}

/** The strongest of the element's own declarations that lost to the winner, where it sets the same value. */
function redundantBeside(outcome: Outcome): Candidate | undefined {
	const { winner, losers } = outcome.own;
	if (outcome.kind !== 'own' || !winner || winner.conditions.length === 0) return undefined;
	const next = losers.find(({ why }) => why.kind === 'beaten' || why.kind === 'set-again')?.candidate;
	return next && next.value !== '' && next.value === winner.value && next.important === winner.important
		? next
		: undefined;
}

interface Together {
	readonly longhands: string[];
	readonly outcomes: readonly Outcome[];
	/** The outcomes of each of them. */
	readonly each: (readonly Outcome[])[];
	/** The requested name that covers them, where there is one. */
	readonly requested?: string;
}

/** The name of a group of longhands, and what that name would also set. */
function nameOf(
	{ longhands, outcomes }: Together,
	setBy: (shorthand: string, value: string) => readonly string[]
): { readonly name: string; readonly without: readonly string[] } {
	const [only] = longhands;
	const written = outcomes.flatMap((one) => {
		const from = decider(one);
		return from ? [{ name: from.property, sets: setBy(from.property, from.written) }] : [];
	});
	const isWhole = (sets: readonly string[]): boolean =>
		sets.length === longhands.length && longhands.every((one) => sets.includes(one));
	const whole = written.find(({ sets }) => isWhole(sets));
	if (whole) return { name: whole.name, without: [] };
	if (longhands.length === 1 && only !== undefined) return { name: only, without: [] };
	const [short] = written;
	if (short && short.sets.length - longhands.length <= longhands.length && short.name !== 'all')
		return { name: short.name, without: short.sets.filter((one) => !longhands.includes(one)) };
	return { name: longhands.join(', '), without: [] };
}

/** What a cell shows for a row's property. */
function textOf(outcome: Outcome, name: string, longhands: readonly string[]): string {
	const from = decider(outcome);
	if (!from) return outcome.kind === 'initial' ? (outcome.own.winner?.written ?? '') : '';
	if (from.property === name || longhands.length > 1 || from.value === '') return from.written;
	return from.value;
}

/** The values of several longhands requested together, where one declaration sets these and more. */
function ofEach({ longhands, each }: Together, name: string, column: number): string | undefined {
	if (longhands.length < 2) return undefined;
	const values = each.map((outcomes) => {
		const from = outcomes[column] && decider(outcomes[column]);
		return from && from.property !== name ? from.value : '';
	});
	if (values.includes('')) return undefined;
	return new Set(values).size === 1 ? values[0] : values.join(' ');
}

/**
 * The declared values of an element, with a row per property and a column per band: every property that the element's
 * own declarations set, every inherited one that an ancestor sets, and those requested. Longhands that the same
 * shorthands decide in every column share a row.
 */
export function collate(request: CollateRequest): Collated {
	const { columns, registered, also = [] } = request;
	const [first] = columns;
	const own = first?.[0];
	if (!first || !own) return { rows: [] };
	const { engine, physical } = own;
	const properties = propertiesSet(own);
	for (const around of first.slice(1)) {
		for (const property of propertiesSet(around))
			if (isInherited(property, registered)) properties.add(property);
	}
	const requested = new Map<string, readonly string[]>();
	for (const name of also) {
		const longhands = name.startsWith('--') ? [name] : [...(engine.expand(name, 'inherit')?.keys() ?? [])];
		const physicals = longhands.map(physical);
		requested.set(name, physicals);
		for (const one of physicals) properties.add(one);
	}
	const groups = new Map<string, Together>();
	for (const property of properties) {
		const outcomes = outcomesOf(property, request);
		const froms = outcomes.map(decider);
		const isShort = froms.some((from) => from && physical(from.property) !== property);
		const untouched = froms.every((from) => from === undefined);
		const name = [...requested].find(([, all]) => all.includes(property))?.[0];
		// Set only for states or widths that none of these columns covers.
		if (untouched && name === undefined) continue;
		// What is requested by name has a row of its own, even if a larger shorthand sets it.
		const together = isShort || (name !== undefined && !untouched);
		const key = `${name ?? ''}: ${together ? outcomes.map(identity).join('|') : (name ?? property)}`;
		const group = groups.get(key);
		if (group) {
			group.longhands.push(property);
			group.each.push(outcomes);
		} else {
			const asking = name === undefined ? {} : { requested: name };
			groups.set(key, { longhands: [property], outcomes, each: [outcomes], ...asking });
		}
	}
	const setBy = (name: string, value: string): readonly string[] =>
		name.startsWith('--') ? [name] : [...(engine.expand(name, value)?.keys() ?? [])].map(physical);
	const rows = [...groups.values()].map((group): Row => {
		const { longhands, outcomes, requested: wanted = '' } = group;
		const isAll = requested.get(wanted)?.length === longhands.length;
		const named = isAll ? { name: wanted, without: [] } : undefined;
		const { name, without } = named ?? nameOf(group, setBy);
		const cells = outcomes.map((outcome, i): Cell => {
			const left = outcomes[i - 1];
			return {
				outcome,
				from: decider(outcome),
				text: (named && ofEach(group, name, i)) ?? textOf(outcome, name, longhands),
				same: left !== undefined && identity(left) === identity(outcome),
				redundant: redundantBeside(outcome)
			};
		});
		return { name, longhands, without, group: groupOf(name), cells };
	});
	const order = ({ group }: Row): number => GROUPS.indexOf(group);
	return { rows: rows.sort((a, b) => order(a) - order(b) || a.name.localeCompare(b.name)) };
}

/** Whether a row's values differ between columns. */
export const differs = ({ cells }: Row): boolean => cells.some(({ same }, i) => i > 0 && !same);

/** Adjacent columns in which every row is the same, each run as its first column and the one after its last. */
export function alikeColumns({ rows }: Collated, count: number): (readonly [from: number, to: number])[] {
	const starts = Array.from({ length: count }, (_, i) => i).filter(
		(i) => i === 0 || rows.some(({ cells }) => cells[i]?.same === false)
	);
	return starts.map((from, i) => [from, starts[i + 1] ?? count]);
}
