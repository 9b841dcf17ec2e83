import type { Change } from '../../text/index.ts';
import { giveClass } from '../classes.ts';
import type { Page, PageElement } from '../page.ts';
import { setAttribute, takeClass } from './attribute.ts';
import { insertHtml, whyNotInserted, type InsertPlace } from './insert.ts';
import { duplicate, moveAmong } from './place.ts';
import { setWords } from './text.ts';
import { unwrap, wrapElements, wrapWords, type Wrapper } from './wrap.ts';

/** A change to the HTML of elements. */
export type MarkupRequest =
	| { readonly kind: 'attribute'; readonly name: string; readonly value: string | null }
	/** A class is removed. */
	| { readonly kind: 'class'; readonly name: string }
	| { readonly kind: 'give-class'; readonly name: string }
	| { readonly kind: 'words'; readonly words: string }
	/** Each element by itself, or adjacent ones together. */
	| { readonly kind: 'wrap'; readonly wrapper: Wrapper; readonly together: boolean }
	/** The words chosen in the source. */
	| { readonly kind: 'wrap-words'; readonly wrapper: Wrapper; readonly start: number; readonly end: number }
	| { readonly kind: 'unwrap' }
	| { readonly kind: 'move'; readonly by: -1 | 1 }
	| { readonly kind: 'duplicate' }
	/** HTML is added beside it or in it. */
	| { readonly kind: 'insert'; readonly html: string; readonly place: InsertPlace };

/** The changes of a page's source that a request for some of its elements amounts to. */
export function markupChanges(
	page: Page,
	elements: readonly PageElement[],
	request: MarkupRequest
): Change[] {
	const each = (make: (element: PageElement) => Change[]): Change[] => elements.flatMap(make);
	switch (request.kind) {
		case 'attribute':
			return each((one) => setAttribute(page, one, request.name, request.value));
		case 'class':
			return each((one) => takeClass(page, one, request.name));
		case 'give-class':
			return each((one) => [giveClass(page, one, request.name) ?? []].flat());
		case 'words':
			return each((one) => setWords(page, one, request.words));
		case 'wrap':
			return request.together
				? wrapElements(page, elements, request.wrapper)
				: each((one) => wrapElements(page, [one], request.wrapper));
		case 'wrap-words':
			return wrapWords(page, request, request.wrapper);
		case 'unwrap':
			return each((one) => unwrap(page, one));
		case 'move':
			return each((one) => moveAmong(page, one, request.by));
		case 'duplicate':
			return each((one) => duplicate(page, one));
		case 'insert':
			return each((one) => insertHtml(page, one, request.html, request.place));
	}
}

/** Why a request for elements cannot be met, by any means; null where it can. */
export const whyRefused = (
	page: Page,
	elements: readonly PageElement[],
	request: MarkupRequest
): string | null => (request.kind === 'insert' ? whyNotInserted(page, elements, request) : null);
