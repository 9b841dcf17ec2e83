import { classesOf, type PageElement } from '../html/index.ts';
import { specificityOf, type Specificity } from './specificity.ts';
import { unsteadyName } from './steady.ts';

/** How far a selector reaches, widest first. */
export type Rung = 'kind' | 'page' | 'class' | 'section' | 'this' | 'part';

/** A selector for an element. */
export interface Candidate {
	readonly selector: string;
	readonly rung: Rung;
	readonly specificity: Specificity;
	/** What would break it; empty for a steady one. */
	readonly fragile: string;
	/** Further remarks; empty for most. */
	readonly remark: string;
}

export const RUNGS: readonly Rung[] = ['kind', 'page', 'class', 'section', 'this', 'part'];

/** What is known about names apart from their form. */
export interface NameFacts {
	/** Ids and classes that two saves of the page have proved unsteady. */
	readonly unsteady: ReadonlySet<string>;
	/** Classes named by the page's sheets, with their files; null where that is not known. */
	readonly styled: ReadonlyMap<string, ReadonlySet<string>> | null;
	/** Files that are given. */
	readonly given: ReadonlySet<string>;
	readonly elements: readonly PageElement[];
}

const NO_NAME_FACTS: NameFacts = { unsteady: new Set(), styled: null, given: new Set(), elements: [] };

const escaped = (name: string): string =>
	name
		.replace(/^(-?)(\d)/, (_, dash: string, digit: string) => `${dash}\\3${digit} `)
		.replace(/[^\w\u0080-\uffff\\ -]/g, '\\$&');

const idOf = ({ attributes }: PageElement): string => attributes.get('id')?.value ?? '';

/** An element's own names as selectors, those that look handwritten first; with the reasons why others do not. */
function namesOf(
	element: PageElement,
	{ unsteady }: NameFacts
): { name: string; selector: string; fragile: string; isId: boolean }[] {
	const all = [
		...classesOf(element).map((name) => ({ name, isId: false })),
		...(idOf(element) ? [{ name: idOf(element), isId: true }] : [])
	];
	return all.map(({ name, isId }) => {
		const what = `${isId ? 'the id' : 'the class'} ${name}`;
		return {
			name,
			selector: `${isId ? '#' : '.'}${escaped(name)}`,
			isId,
			fragile: unsteady.has(name)
				? `${what} was another in another save of the page`
				: unsteadyName(name)
					? `${what} looks made by a tool`
					: ''
		};
	});
}

/** Other uses of a class: a given sheet that has it, elements of other kinds with it, or no rule at all. */
function remarkOn(name: string, element: PageElement, { styled, given, elements }: NameFacts): string {
	const sheets = styled?.get(name);
	const host = [...(sheets ?? [])].find((file) => given.has(file));
	const tags = new Set(
		elements.filter((one) => one.tag !== element.tag && classesOf(one).includes(name)).map(({ tag }) => tag)
	);
	return [
		host === undefined ? '' : `it belongs to ${host}, which is given and may change by itself`,
		tags.size === 0
			? ''
			: `${[...tags].slice(0, 3).join(', ')} ${tags.size === 1 ? 'has' : 'have'} this class too`,
		styled && !sheets && tags.size === 0 ? 'no sheet of this page names this class' : ''
	]
		.filter(Boolean)
		.join('; ');
}

/** The position of an element among its siblings with the same tag, as a selector. */
function byPlace(element: PageElement): string {
	const alike = (element.parent?.children ?? []).filter(({ tag }) => tag === element.tag);
	return alike.length > 1 ? `${element.tag}:nth-of-type(${alike.indexOf(element) + 1})` : element.tag;
}

/** The kinds of parts that have names. */
const PARTS = 6;

/** What an element contains, and what sheets can add to it, as the last part of a selector. */
function partsOf(element: PageElement): string[] {
	const children = element.children.map((child) => {
		const [name] = classesOf(child).filter((one) => unsteadyName(one) === undefined);
		return `> ${name === undefined ? child.tag : `.${escaped(name)}`}`;
	});
	return [...new Set(children)].slice(0, PARTS).concat(['::before', '::after']);
}

const PLACE = 'a new sibling before it would shift its place';

/**
 * Selectors for an element, from the widest reach to the narrowest; for each reach, steady and less specific ones
 * first. Each matches the element, except those for a part, which match its contents.
 */
export function candidatesFor(element: PageElement, known: NameFacts = NO_NAME_FACTS): Candidate[] {
	const steadyNames = (one: PageElement) => namesOf(one, known).filter(({ fragile }) => fragile === '');
	const found = new Map<string, Candidate>();
	const put = (rung: Rung, selector: string, fragile = '', remark = ''): void => {
		if (found.has(selector)) return;
		found.set(selector, { selector, rung, fragile, remark, specificity: specificityOf(selector) });
	};
	const ancestors: PageElement[] = [];
	for (let at = element.parent; at; at = at.parent) ancestors.push(at);
	const own = namesOf(element, known);
	const classes = own.filter(({ isId }) => !isId);
	const best = classes.find(({ fragile }) => fragile === '')?.selector ?? element.tag;

	put('kind', element.tag);
	if (element.parent) put('kind', `${element.parent.tag} > ${element.tag}`);
	for (const root of ancestors.filter(({ tag }) => tag === 'body' || tag === 'html')) {
		for (const { selector } of steadyNames(root)) put('page', `${selector} ${best}`);
	}
	for (const { name, selector, fragile } of classes) {
		put('class', selector, fragile, remarkOn(name, element, known));
	}
	const steady = classes.filter(({ fragile }) => fragile === '').map(({ selector }) => selector);
	if (steady.length > 1) put('class', steady.join(''));
	const within = ancestors.filter(({ tag }) => tag !== 'body' && tag !== 'html');
	const named = within.find((one) => steadyNames(one).length > 0);
	if (named) {
		for (const { selector } of steadyNames(named)) {
			put('section', `${selector} ${best}`);
			if (best !== element.tag) put('section', `${selector} ${element.tag}`);
			if (named === element.parent) put('section', `${selector} > ${best}`);
			put('this', `${selector}${named === element.parent ? ' >' : ''} ${byPlace(element)}`, PLACE);
		}
	} else {
		const section = within.find((one) => byPlace(one) !== one.tag) ?? within.at(-1);
		if (section)
			put(
				'section',
				`${byPlace(section)} ${best}`,
				'no id or class around it is steady: it goes by the place of the section'
			);
	}
	for (const { selector, fragile, isId } of own) if (isId) put('this', selector, fragile);
	const partBase = [...found.values()].findLast(({ fragile }) => fragile === '')?.selector ?? element.tag;
	const path = [element, ...ancestors].slice(0, 3).map(byPlace).reverse();
	put('this', path.join(' > '), PLACE);
	for (const part of partsOf(element)) put('part', `${partBase} ${part}`.replace(' ::', '::'));
	return [...found.values()].sort(
		(a, b) =>
			RUNGS.indexOf(a.rung) - RUNGS.indexOf(b.rung) ||
			Number(a.fragile !== '') - Number(b.fragile !== '') ||
			a.selector.length - b.selector.length
	);
}
