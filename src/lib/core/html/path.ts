import type { ElementPath } from './page.ts';

/** A selector that hits the element at a path and nothing else of its page. */
export const selectorOfPath = (path: ElementPath): string =>
	[':root', ...path.map((index) => `:nth-child(${index + 1})`)].join(' > ');
