import { own } from './own.ts';
import type { Values } from '../core/wake/index.ts';

export type { Values };

/** The computed values of some longhands of every element, each as one text, and whether any of some selectors matches it. */
export function valuesOf(
	document: Document,
	longhands: readonly string[],
	selectors: readonly string[]
): Values {
	const window = own(document).defaultView;
	const elements = [...own(document).querySelectorAll('*')];
	const known = selectors.filter((selector) => {
		try {
			own(document).querySelector(selector);
			return true;
		} catch {
			return false;
		}
	});
	const list = known.join(', ');
	return {
		texts: elements.map((element) => {
			const style = window?.getComputedStyle(element);
			return longhands.map((name) => style?.getPropertyValue(name) ?? '').join('\n');
		}),
		hit: Uint8Array.from(elements, (element) => (list !== '' && own(element).matches(list) ? 1 : 0))
	};
}
