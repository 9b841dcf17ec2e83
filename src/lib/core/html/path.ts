import type { ElementPath } from './page.ts';

/** Whether an element is, or is in, the one at another path. */
export const isWithin = (path: ElementPath, around: ElementPath): boolean =>
	around.every((index, i) => path[i] === index);

/** A selector that matches the element at a path and nothing else on its page. */
export const selectorOfPath = (path: ElementPath): string =>
	[':root', ...path.map((index) => `:nth-child(${index + 1})`)].join(' > ');

/** Paths as in an address: indexes separated by points, elements by commas. The root is `r`. */
export const printPaths = (paths: readonly ElementPath[]): string =>
	paths.map((path) => path.join('.') || 'r').join(',');

/** The paths in an address; invalid ones are left out. */
export const readPaths = (text: string): ElementPath[] =>
	text
		.split(',')
		.filter((one) => /^(r|\d{1,6}(\.\d{1,6}){0,400})$/.test(one))
		.map((one) => (one === 'r' ? [] : one.split('.').map(Number)));

/** The path of an element as in findings: '' for the root. */
export const readPath = (text: string): ElementPath => readPaths(text || 'r')[0] ?? [];
