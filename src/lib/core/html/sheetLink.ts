import { attribute, type PageElement } from './page.ts';

/** Whether an element is a `<link>` to a sheet, in force or not. */
export const isSheetLink = (element: PageElement): boolean =>
	element.tag === 'link' && /(^|\s)stylesheet(\s|$)/i.test(attribute(element, 'rel') ?? '');
