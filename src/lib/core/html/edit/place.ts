import { indentAt, isFirstOnLine } from '../../css/edit/line.ts';
import { applyChanges, shifted, type Change } from '../../text/index.ts';
import { attribute, type Page, type PageElement } from '../page.ts';
import { freeId, setAttribute } from './attribute.ts';

/** Exchanges an element with its previous (`-1`) or next (`1`) sibling; what is between them stays. */
export function moveAmong(page: Page, element: PageElement, by: -1 | 1): Change[] {
	const siblings = element.parent?.children ?? [];
	const other = siblings[siblings.indexOf(element) + by];
	if (!other) return [];
	return by < 0 ? exchange(page, other, element) : exchange(page, element, other);
}

/** Exchanges two elements of a page, neither in the other; what is between them stays. */
export function exchange({ source }: Page, first: PageElement, second: PageElement): Change[] {
	if (!first.span || !second.span) return [];
	return [
		{ ...first.span, text: source.slice(second.span.start, second.span.end) },
		{ ...second.span, text: source.slice(first.span.start, first.span.end) }
	];
}

/** Attributes that refer to ids: one, or several separated by spaces. */
const REFERS = /^(for|form|list|headers|usemap|popovertarget|aria-\w+)$/;

/** A copy of an element's source in which every id is new, along with its references to them. */
function withOtherIds(page: Page, element: PageElement): string {
	const span = element.span;
	if (!span) return '';
	const within = page.elements.filter(
		(one) => one.span && one.span.start >= span.start && one.span.end <= span.end
	);
	const ids = new Map(
		within.flatMap((one) => {
			const id = attribute(one, 'id');
			return id ? [[id, freeId(page, id)] as const] : [];
		})
	);
	const changes = within.flatMap((one) =>
		[...one.attributes].flatMap(([name, { value }]): Change[] => {
			const other =
				name === 'id'
					? ids.get(value)
					: REFERS.test(name)
						? value.replace(/\S+/g, (word) => ids.get(word) ?? word)
						: /^#/.test(value) && name.endsWith('href')
							? `#${ids.get(value.slice(1)) ?? value.slice(1)}`
							: undefined;
			return other === undefined || other === value ? [] : setAttribute(page, one, name, other);
		})
	);
	return applyChanges(page.source.slice(span.start, span.end), shifted(changes, -span.start));
}

/** Adds a copy of an element after it, on lines of its own where the element has such; ids in it are renamed. */
export function duplicate(page: Page, element: PageElement): Change[] {
	const { span } = element;
	if (!span || !element.parent || /^(html|head|body)$/.test(element.tag)) return [];
	const gap = isFirstOnLine(page.source, span.start) ? `\n${indentAt(page.source, span.start)}` : '';
	return [{ start: span.end, end: span.end, text: gap + withOtherIds(page, element) }];
}
