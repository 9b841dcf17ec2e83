import type { ElementPath } from './page.ts';

/** Whether an element is, or stands in, what is at another path. */
export const isWithin = (path: ElementPath, around: ElementPath): boolean =>
	around.every((index, i) => path[i] === index);

/** A selector that hits the element at a path and nothing else of its page. */
export const selectorOfPath = (path: ElementPath): string =>
	[':root', ...path.map((index) => `:nth-child(${index + 1})`)].join(' > ');
