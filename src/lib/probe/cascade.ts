import { own } from './own.ts';
import { computedValues } from './box.ts';
import { keyOf } from '../core/selector/index.ts';
import type { SelectorQuery, Match } from '../core/cascade/index.ts';
import { LONGHANDS_AROUND } from '../core/cascade/inherited.ts';

/** Selectors indexed by a condition on their last compound, so that few are tried on each element. */
export interface SelectorIndex {
	/**
	 * The selectors that match an element, natively, each with how many generations up the root of its `@scope` is.
	 */
	matches(element: Element): Match[];
}

/** An index of selectors. Names are compared without case, as in a page without a doctype. */
export function selectorIndex(queries: readonly SelectorQuery[]): SelectorIndex {
	const tables = new Map<string, number[]>();
	queries.forEach(({ selector }, i) => {
		const { kind, name } = keyOf(selector);
		const key = `${kind} ${name.toLowerCase()}`;
		const list = tables.get(key);
		if (list) list.push(i);
		else tables.set(key, [i]);
	});
	const few = (kind: string, name: string): readonly number[] =>
		tables.get(`${kind} ${name.toLowerCase()}`) ?? [];
	return {
		matches: (element) =>
			[
				...few('any', ''),
				...few('type', own(element).localName),
				...(own(element).id ? few('id', own(element).id) : []),
				...new Set([...own(element).classList].flatMap((name) => few('class', name)))
			].flatMap((i): Match[] => {
				const proximity = queries[i] ? hitOf(element, queries[i]) : undefined;
				return proximity === undefined ? [] : [[i, proximity]];
			})
	};
}

/**
 * How many generations up the root of the innermost scope is, infinite without one; undefined where the selector does
 * not match.
 */
function hitOf(element: Element, { selector, scopes }: SelectorQuery): number | undefined {
	try {
		if (scopes.length === 0) return own(element).matches(selector) ? Infinity : undefined;
		return hitInScope(element, selector, scopes);
	} catch {
		// What no engine can parse matches nothing.
		return undefined;
	}
}

function hitInScope(element: Element, selector: string, scopes: SelectorQuery['scopes']): number | undefined {
	const innermost = scopes.at(-1);
	if (!innermost) return undefined;
	const outer = scopes.slice(0, -1);
	let proximity = 0;
	for (let root: Element | null = element; root; root = own(root).parentElement, proximity++) {
		const isRoot =
			innermost.root === null
				? root === own(own(element).ownerDocument).documentElement
				: own(root).matches(innermost.root);
		if (!isRoot || isBeyond(element, root, innermost.limit)) continue;
		if (outer.length > 0 && hitInScope(root, '*', outer) === undefined) continue;
		if (hitsFrom(root, element, selector)) return proximity;
	}
	return undefined;
}

/** Whether a selector matches an element with `root` as its `:scope`. */
const hitsFrom = (root: Element, element: Element, selector: string): boolean =>
	root === element || !/:scope/i.test(selector)
		? own(element).matches(selector)
		: [...own(root).querySelectorAll(selector)].includes(element);

/** Whether an element is at or below a limit of a scope. */
function isBeyond(element: Element, root: Element, limit: string | null): boolean {
	if (limit === null) return false;
	for (let at: Element | null = element; at; at = own(at).parentElement) {
		if (hitsFrom(root, at, limit)) return true;
		if (at === root) return false;
	}
	return false;
}

/** For each element, which `@container` conditions hold, as evaluated by the engine. */
export function containersHold(elements: readonly Element[], conditions: readonly string[]): boolean[][] {
	const document = own(elements[0])?.ownerDocument;
	const window = own(document)?.defaultView as (Window & typeof globalThis) | null | undefined;
	if (!document || !window || conditions.length === 0) return elements.map(() => conditions.map(() => true));
	const sheet = new window.CSSStyleSheet();
	const mark = 'data-vantaggio-asked';
	const name = (i: number): string => `--vantaggio-holds-${i}`;
	const off = conditions.map((_, i) => `${name(i)}: 0;`).join('');
	const on = conditions.map((text, i) => `@container ${text} { [${mark}] { ${name(i)}: 1 !important } }`);
	sheet.replaceSync(`[${mark}] { ${off} }\n${on.join('\n')}`);
	const before = own(document).adoptedStyleSheets;
	for (const element of elements) own(element).setAttribute(mark, '');
	own(document).adoptedStyleSheets = [...before, sheet];
	const answers = elements.map((element) => {
		const style = window.getComputedStyle(element);
		return conditions.map((_, i) => style.getPropertyValue(name(i)).trim() === '1');
	});
	own(document).adoptedStyleSheets = before;
	for (const element of elements) own(element).removeAttribute(mark);
	return answers;
}

/** A property that an animation or a transition is changing now. */
export interface Moving {
	/** A longhand, or a shorthand as in keyframes. */
	readonly property: string;
	readonly by: 'animation' | 'transition';
	/** The name of the keyframes; '' for a transition. */
	readonly name: string;
}

const kebab = (name: string): string => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
/** Keys of keyframes that are not properties (Web Animations 1 §6.6). */
const NO_PROPERTIES = new Set(['offset', 'computedOffset', 'easing', 'composite']);

/** What overrides an element's cascade now (CSS Cascade 5 §6.1: animations, and above all transitions). */
export function movingOn(element: Element): Moving[] {
	return own(element)
		.getAnimations()
		.flatMap((animation): Moving[] => {
			if ('transitionProperty' in animation)
				return [{ property: String(animation.transitionProperty), by: 'transition', name: '' }];
			const name = 'animationName' in animation ? String(animation.animationName) : '';
			const effect = animation.effect as KeyframeEffect | null;
			const keys = new Set((effect?.getKeyframes() ?? []).flatMap((frame) => Object.keys(frame)));
			return [...keys]
				.filter((key) => !NO_PROPERTIES.has(key))
				.map((key) => ({ property: kebab(key), by: 'animation', name }));
		});
}

/** An element and its ancestors, up to the root. */
function upFrom(element: Element | null): Element[] {
	const elements: Element[] = [];
	for (let at = element; at; at = own(at).parentElement) elements.push(at);
	return elements;
}

/** Which `@container` conditions hold for an element and each of its ancestors. */
export const heldUp = (element: Element | null, conditions: readonly string[]): boolean[][] =>
	containersHold(upFrom(element), conditions);

/** What an engine reports about an element for its cascade. */
export interface ElementAnswer {
	readonly matches: readonly Match[];
	/** Which `@container` conditions hold, in the order of the question. */
	readonly containers: readonly boolean[];
	readonly computed: ReadonlyMap<string, string>;
}

/** An element and its ancestors, up to the root, for the cascade; a pseudo-element of it first. */
export function answersUp(
	element: Element | null,
	index: SelectorIndex,
	containers: readonly string[],
	pseudo = ''
): ElementAnswer[] {
	const elements = upFrom(element);
	const held = containersHold(elements, containers);
	const answers = elements.map((one, i) => ({
		matches: index.matches(one),
		containers: held[i] ?? [],
		computed: computedValues(one, undefined, i === 0 && pseudo === '' ? undefined : LONGHANDS_AROUND)
	}));
	const [first] = answers;
	return pseudo !== '' && element && first
		? [{ ...first, computed: computedValues(element, pseudo) }, ...answers]
		: answers;
}
