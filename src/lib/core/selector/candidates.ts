import type { PageElement } from '../html/index.ts';
import { specificityOf, type Specificity } from './specificity.ts';
import { unsteadyName } from './steady.ts';

/** How far a selector reaches, widest first. */
export type Rung = 'kind' | 'page' | 'class' | 'section' | 'this';

/** A selector for an element. */
export interface Candidate {
	readonly selector: string;
	readonly rung: Rung;
	readonly specificity: Specificity;
	/** What it would break by; empty for one that is steady. */
	readonly fragile: string;
}

const RUNGS: readonly Rung[] = ['kind', 'page', 'class', 'section', 'this'];

const escaped = (name: string): string =>
	name
		.replace(/^(-?)(\d)/, (_, dash: string, digit: string) => `${dash}\\3${digit} `)
		.replace(/[^\w\u0080-\uffff\\ -]/g, '\\$&');

const idOf = ({ attributes }: PageElement): string => attributes.get('id')?.value ?? '';
const classesOf = ({ attributes }: PageElement): string[] =>
	(attributes.get('class')?.value ?? '').split(/\s+/).filter(Boolean);

/** An element's own names as selectors, those first that look written by hand; with why the others do not. */
function namesOf(element: PageElement): { selector: string; fragile: string; isId: boolean }[] {
	const all = [
		...classesOf(element).map((name) => ({ name, isId: false })),
		...(idOf(element) ? [{ name: idOf(element), isId: true }] : [])
	];
	return all.map(({ name, isId }) => {
		const why = unsteadyName(name);
		return {
			selector: `${isId ? '#' : '.'}${escaped(name)}`,
			isId,
			fragile: why ? `${isId ? 'the id' : 'the class'} ${name} looks made by a tool` : ''
		};
	});
}

const steadyNames = (element: PageElement) => namesOf(element).filter(({ fragile }) => fragile === '');

/** The place of an element among its siblings of the same tag, as a selector. */
function byPlace(element: PageElement): string {
	const alike = (element.parent?.children ?? []).filter(({ tag }) => tag === element.tag);
	return alike.length > 1 ? `${element.tag}:nth-of-type(${alike.indexOf(element) + 1})` : element.tag;
}

const PLACE = 'a new sibling before it would shift its place';

/**
 * Selectors for an element, from the widest reach to the narrowest, within each the steady ones and the less
 * specific first. Every one of them hits the element.
 */
export function candidatesFor(element: PageElement): Candidate[] {
	const found = new Map<string, Candidate>();
	const put = (rung: Rung, selector: string, fragile = ''): void => {
		if (!found.has(selector))
			found.set(selector, { selector, rung, fragile, specificity: specificityOf(selector) });
	};
	const ancestors: PageElement[] = [];
	for (let at = element.parent; at; at = at.parent) ancestors.push(at);
	const own = namesOf(element);
	const classes = own.filter(({ isId }) => !isId);
	const best = classes.find(({ fragile }) => fragile === '')?.selector ?? element.tag;

	put('kind', element.tag);
	if (element.parent) put('kind', `${element.parent.tag} > ${element.tag}`);
	for (const root of ancestors.filter(({ tag }) => tag === 'body' || tag === 'html')) {
		for (const { selector } of steadyNames(root)) put('page', `${selector} ${best}`);
	}
	for (const { selector, fragile } of classes) put('class', selector, fragile);
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
	const path = [element, ...ancestors].slice(0, 3).map(byPlace).reverse();
	put('this', path.join(' > '), PLACE);
	return [...found.values()].sort(
		(a, b) =>
			RUNGS.indexOf(a.rung) - RUNGS.indexOf(b.rung) ||
			Number(a.fragile !== '') - Number(b.fragile !== '') ||
			a.selector.length - b.selector.length
	);
}
