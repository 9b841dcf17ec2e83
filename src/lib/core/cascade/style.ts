import { parseSheet, sliceOf } from '../css/index.ts';
import { attribute, type PageElement } from '../html/index.ts';
import type { StyleDeclaration } from './case.ts';

const OPEN = '*{';

/**
 * The declarations of an element's style attribute. Each has its place in the page's text where the attribute
 * contains no character references, and otherwise that of the whole attribute.
 */
export function styleDeclarations(source: string, file: string, element: PageElement): StyleDeclaration[] {
	const whole = element.attributes.get('style')?.span;
	const style = attribute(element, 'style');
	if (!style || !whole) return [];
	const within = sliceOf(source, whole).lastIndexOf(style);
	const sheet = parseSheet(`${OPEN}${style}}`);
	const [rule] = sheet.children;
	if (rule?.kind !== 'rule') return [];
	return rule.children.flatMap((node): StyleDeclaration[] => {
		if (node.kind !== 'declaration') return [];
		const from = whole.start + within - OPEN.length;
		return [
			{
				property: node.property,
				value: sliceOf(sheet.source, node.value),
				important: node.important,
				span: within < 0 ? whole : { start: from + node.span.start, end: from + node.span.end },
				file
			}
		];
	});
}
