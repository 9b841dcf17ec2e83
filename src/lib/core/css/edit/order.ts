import { rememberedWith } from '../../remember/index.ts';
import { isDeclaration, type AtRule, type Declaration, type Node, type Rule, type Sheet } from '../node.ts';

/** The first part of a property's name, which identifies related properties: `margin`, `grid`, `flex`. */
const familyOf = (property: string): string => /^(--|-\w+-)?[^-]*/.exec(property)?.[0] ?? property;

/** So many rules are read, spread evenly over the sheet. */
const MOST_READ = 50;
/** Fewer pairs prove nothing; this share of them must be in alphabetical order. */
const [LEAST_PAIRS, ORDERLY] = [8, 0.95];

interface Order {
	readonly alphabetical: boolean;
	/** The properties of rules, each rule's in order. */
	readonly lists: readonly (readonly string[])[];
}

function rulesOf(sheet: Sheet): Rule[] {
	const all: Rule[] = [];
	const read = (children: readonly Node[]): void => {
		const step = Math.max(1, Math.floor(children.length / MOST_READ));
		for (let i = 0; i < children.length && all.length < 2 * MOST_READ; i += step) {
			const node = children[i];
			if (node?.kind === 'rule') all.push(node);
			else if (node?.kind === 'at-rule' && node.name !== 'font-face') read(node.children);
		}
	};
	read(sheet.children);
	return all;
}

/** The order in which a sheet writes the properties of its rules. Read once. */
const orderOf = rememberedWith((sheet: Sheet) => sheet, readOrder);

function readOrder(sheet: Sheet): Order {
	let [pairs, ascending] = [0, 0];
	const lists = rulesOf(sheet).map(({ children }) =>
		children.flatMap((node) =>
			node.kind === 'declaration' && !node.property.startsWith('--') ? node.property : []
		)
	);
	for (const names of lists) {
		names.forEach((name, i) => {
			const next = names[i + 1];
			if (next === undefined || next === name) return;
			pairs++;
			if (name < next) ascending++;
		});
	}
	return { alphabetical: pairs >= LEAST_PAIRS && ascending >= ORDERLY * pairs, lists };
}

const FLOW_RELATIVE = /(^|-)(inline|block)(-(start|end))?(-|$)/;
const PHYSICAL = /(^|-)(top|right|bottom|left)(-|$)/;

/** Whether a sheet uses flow-relative sides (`margin-inline-start`) rather than physical ones (`margin-left`). */
export function isFlowRelative(sheet: Sheet): boolean {
	const names = orderOf(sheet).lists.flat();
	const count = (pattern: RegExp): number => names.filter((name) => pattern.test(name)).length;
	return count(FLOW_RELATIVE) > count(PHYSICAL);
}

/**
 * How many of some properties come before another, judged by what the sheet's rules have before and after it;
 * undefined where they do not tell.
 */
function learned({ lists }: Order, property: string, known: readonly string[]): number | undefined {
	const having = lists.filter((names) => names.includes(property));
	const votes = known.map((one) =>
		having.reduce((sum, names) => {
			const at = names.indexOf(one);
			return at < 0 ? sum : sum + (at < names.indexOf(property) ? 1 : -1);
		}, 0)
	);
	if (votes.every((vote) => vote === 0)) return undefined;
	let [best, place, sum] = [-Infinity, known.length, 0];
	const all = votes.reduce((total, vote) => total - vote, 0);
	for (let i = 0; i <= votes.length; i++) {
		if (i > 0) sum += 2 * (votes[i - 1] as number);
		if (all + sum >= best) [best, place] = [all + sum, i];
	}
	return place;
}

/**
 * The declaration of a block after which another property belongs: by alphabet where the sheet orders its properties
 * so; otherwise after the last one of its family, in the order of the sheet's other rules, or after the last
 * declaration. Null for the start of the block, undefined where the block has no declarations.
 */
export function neighbourOf(
	sheet: Sheet,
	block: Rule | AtRule,
	property: string
): Declaration | null | undefined {
	const nested = block.children.findIndex((node) => node.kind === 'rule' || node.kind === 'at-rule');
	const own = (nested < 0 ? block.children : block.children.slice(0, nested)).filter(isDeclaration);
	if (own.length === 0) return undefined;
	const names = own.map((one) => one.property);
	const isCustom = property.startsWith('--');
	const order = isCustom ? undefined : orderOf(sheet);
	const family = own.findLast((one) => familyOf(one.property) === familyOf(property));
	if (order?.alphabetical) {
		const place = names.findLastIndex((name) => name.startsWith('--') || name < property);
		return own[place] ?? null;
	}
	if (family) return family;
	const place = order && learned(order, property, names);
	return place === undefined ? own.at(-1) : (own[place - 1] ?? null);
}
