import { sliceOf, walk } from '../css/index.ts';
import { attribute, classesOf, type Page } from '../html/index.ts';
import { namesIn } from '../selector/index.ts';
import type { PageConditions } from './conditions.ts';
import type { Sources } from './sources.ts';

/** The names on a page and in its sheets. */
export interface PageNames {
	readonly classes: readonly string[];
	readonly ids: readonly string[];
	readonly tags: readonly string[];
	/** Classes in the selectors of its sheets, with their files. */
	readonly styled: ReadonlyMap<string, ReadonlySet<string>>;
	/** Custom properties with the first value they are set to. */
	readonly customProperties: ReadonlyMap<string, string>;
	/** Conditions of `@media` as written, the most frequent first. */
	readonly conditions: readonly string[];
}

/** No names at all. */
export const NO_NAMES: PageNames = {
	classes: [],
	ids: [],
	tags: [],
	styled: new Map(),
	customProperties: new Map(),
	conditions: []
};

/**
 * Classes of a page and its sheets: first those that our own sheets style, then the page's others, then all others.
 */
export function classesOursFirst(
	{ classes, styled }: Pick<PageNames, 'classes' | 'styled'>,
	isGiven: (file: string) => boolean
): string[] {
	const ours = [...styled].flatMap(([name, files]) => ([...files].every(isGiven) ? [] : [name]));
	return [...new Set([...ours, ...classes, ...styled.keys()])];
}

/** The names of a page's elements, and those that its sheets define. */
export function namesOfPage(page: Page, { places }: PageConditions, sources: Sources): PageNames {
	const classes = new Set<string>();
	const ids = new Set<string>();
	const tags = new Set<string>();
	for (const element of page.elements) {
		tags.add(element.tag);
		for (const name of classesOf(element)) classes.add(name);
		const id = attribute(element, 'id');
		if (id) ids.add(id);
	}
	const styled = new Map<string, Set<string>>();
	const customProperties = new Map<string, string>();
	const conditions = new Map<string, number>();
	for (const { text, file } of places) {
		const sheet = sources.sheet(text);
		for (const node of walk(sheet)) {
			if (node.kind === 'declaration') {
				if (node.property.startsWith('--') && !customProperties.has(node.property)) {
					customProperties.set(node.property, sliceOf(sheet.source, node.value));
				}
			} else if (node.kind === 'rule') {
				for (const name of namesIn(sliceOf(sheet.source, node.prelude)).classes) {
					styled.set(name, (styled.get(name) ?? new Set()).add(file));
				}
			} else if (node.kind === 'at-rule' && node.name === 'media') {
				const condition = sliceOf(sheet.source, node.prelude);
				conditions.set(condition, (conditions.get(condition) ?? 0) + 1);
			}
		}
	}
	return {
		classes: [...classes],
		ids: [...ids],
		tags: [...tags],
		styled,
		customProperties,
		conditions: [...conditions].sort((a, b) => b[1] - a[1]).map(([text]) => text)
	};
}
