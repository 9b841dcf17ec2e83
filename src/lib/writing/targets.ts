import { done, refuse, type Result } from '../core/text/index.ts';
import type { Candidate, Case, Outcome } from '../core/cascade/index.ts';
import { candidatesFor, compareSpecificity, type Specificity } from '../core/selector/index.ts';
import { elementAt, type ElementPath } from '../core/html/index.ts';
import type { InquiredPage } from '../inquiry/page.ts';
import { ruleOf, type Desk, type Target } from './declaration.ts';

/** A place to which a value can be written, with what is known about it. */
export interface Choice {
	readonly target: Target;
	/** Whether a rule with that selector exists already. */
	readonly exists: boolean;
	readonly specificity: Specificity | null;
}

/** The files of a page with sheets that are not given, in the order of its sheets. */
export const ownFiles = (page: InquiredPage, { isGiven }: Pick<Desk, 'isGiven'>): string[] =>
	page.sheets
		.flatMap(({ from }) => (from.kind === 'file' ? [from.path] : from.kind === 'inline' ? [page.path] : []))
		.filter((file, i, all) => !isGiven(file) && all.lastIndexOf(file) === i);

/** Our rules that match an element, the strongest first, each selector of a file once. */
export function ownRules(desk: Desk, { applying }: Case): Choice[] {
	const found = new Map<string, Choice & { readonly order: readonly number[]; readonly bare: boolean }>();
	for (const { declared, hit } of applying) {
		const { rule, file, offset, source, text, conditions } = declared;
		if (!rule || hit.states.length > 0 || declared.scopes.length > 0 || desk.isGiven(file)) continue;
		const selector = source.slice(rule.prelude.start, rule.prelude.end);
		const target: Target = { kind: 'rule', file, selector, after: offset + rule.span.start };
		const bare = conditions.length === 0;
		const before = found.get(`${file} ${selector}`);
		// The rule without conditions is the one that others override.
		if (before?.bare && !bare) continue;
		found.set(`${file} ${selector}`, {
			target,
			exists: true,
			specificity: hit.specificity,
			order: [text, rule.span.start],
			bare
		});
	}
	const order = (a: readonly number[], b: readonly number[]): number =>
		(b[0] ?? 0) - (a[0] ?? 0) || (b[1] ?? 0) - (a[1] ?? 0);
	return [...found.values()]
		.sort(
			(a, b) =>
				compareSpecificity(b.specificity ?? [0, 0, 0], a.specificity ?? [0, 0, 0]) || order(a.order, b.order)
		)
		.map(({ target, exists, specificity }) => ({ target, exists, specificity }));
}

/** Where the last existing rule of a file begins that is not for every element; null where there is none. */
export function lastOf(choices: readonly Choice[], file: string): number | null {
	const starts = choices.flatMap(({ exists, target, specificity }) =>
		exists && target.kind === 'rule' && target.file === file && specificity?.some((part) => part > 0)
			? (target.after ?? [])
			: []
	);
	return starts.length > 0 ? Math.max(...starts) : null;
}

/** New rules for elements, in a file of ours: Reach's steady selectors that match all of them. */
function newRules(
	page: InquiredPage,
	paths: readonly ElementPath[],
	file: string,
	after: number | null
): Choice[] {
	const [first = [], ...others] = paths.map((path) => {
		const element = elementAt(page.page, path);
		const all = element ? candidatesFor(element) : [];
		return all.filter(({ rung, fragile }) => rung !== 'part' && fragile === '');
	});
	const isForAll = (selector: string): boolean =>
		others.every((all) => all.some((one) => one.selector === selector));
	return first
		.filter(({ selector }) => isForAll(selector))
		.map(({ selector, specificity }) => ({
			target: { kind: 'rule', file, selector, after },
			exists: false,
			specificity
		}));
}

/** The style attribute or the rule of ours that a value comes from. */
function saying(desk: Desk, from: Candidate | undefined): Choice | undefined {
	if (!from || from.attribute !== null || desk.isGiven(from.file)) return undefined;
	if (!from.hit) {
		const { start, end } = from.span;
		return { target: { kind: 'style', file: from.file, start, end }, exists: true, specificity: null };
	}
	const rule = ruleOf(desk, from);
	return (
		rule && {
			target: { kind: 'rule', file: from.file, ...rule },
			exists: true,
			specificity: from.hit.specificity
		}
	);
}

/** The target of writing: selected elements of a page, and the file for new rules. */
export interface For {
	readonly page: InquiredPage;
	readonly paths: readonly ElementPath[];
	readonly file: string;
}

/** The key of a choice. */
export const keyOf = ({ target }: Choice): string =>
	target.kind === 'rule' ? `${target.file} ${target.selector}` : 'style';

/**
 * The file for a new rule: the one that sets the value so far, otherwise the requested one or that of other rules.
 */
function homeOf(
	own: readonly string[],
	file: string,
	first: Choice | undefined,
	rules: readonly Choice[]
): string | undefined {
	if (first?.target.kind === 'rule') return first.target.file;
	const files = rules.map(({ target }) => target.file);
	if (own.includes(file) && (files.length === 0 || files.includes(file))) return file;
	return files[0] ?? own.at(-1);
}

/**
 * Where a value of selected elements can go: what sets it so far on the first of them, unless that is given; then our
 * rules that match it, and selectors for new ones, after those rules. For several elements only rules that match them
 * all remain. `cases` are those of each.
 */
export function choicesFor(
	desk: Desk,
	{ page, paths, file }: For,
	cases: readonly Case[],
	outcome: Outcome | undefined
): Result<Choice[]> {
	const [of, ...others] = cases;
	if (!of || paths.length === 0) return refuse('Nothing is selected.');
	const from = outcome?.kind === 'own' ? outcome.own.winner : undefined;
	const said = saying(desk, from);
	const shared = others.map((one) => new Set(ownRules(desk, one).map(keyOf)));
	const isForAll = (choice: Choice): boolean => shared.every((keys) => keys.has(keyOf(choice)));
	const first = said && isForAll(said) ? said : undefined;
	const rules = ownRules(desk, of).filter(isForAll);
	const home = homeOf(ownFiles(page, desk), file, first, rules);
	const after = home === undefined ? null : lastOf(rules, home);
	// Given rules can be overridden by the same selector, in a file of ours.
	const again: Choice[] =
		from?.hit && !said && home !== undefined && others.length === 0
			? [
					{
						target: { kind: 'rule', file: home, selector: from.hit.selector, after },
						exists: false,
						specificity: from.hit.specificity
					}
				]
			: [];
	const all = [
		...(first ? [first] : []),
		...again,
		...rules,
		...(home === undefined ? [] : newRules(page, paths, home, after))
	];
	if (all.length > 0) return done(unique(all));
	return refuse(
		others.length > 0
			? 'No rule of ours matches all that is selected: add a class to them in Reach.'
			: 'Every sheet of this page is given: there is none of ours to write in.'
	);
}

function unique(all: readonly Choice[]): Choice[] {
	const keys = new Set<string>();
	return all.filter((one) => !keys.has(keyOf(one)) && keys.add(keyOf(one)));
}
