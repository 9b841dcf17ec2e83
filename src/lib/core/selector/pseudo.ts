import { next, T, textOf, tokensOf } from '../css/tokens.ts';
import { selectorsIn } from './nested.ts';
import { statesOf } from './states.ts';
import { OLD_PSEUDO_ELEMENTS } from './specificity.ts';

/** A selector split from its pseudo-element. */
export interface Originating {
	/** What its element must match; `*` where the selector does not say. */
	readonly element: string;
	/** With two colons, and with what follows it; '' where it has none (CSS Pseudo-Elements 4 §3). */
	readonly pseudo: string;
}

/** The element that one selector, without top-level commas, is about, and its pseudo-element. */
export function originatingOf(selector: string): Originating {
	const tokens = tokensOf(selector);
	for (let i = 0; i < tokens.count; i = next(tokens, i)) {
		if (tokens.types[i] !== T.Colon) continue;
		const doubled = tokens.types[i + 1] === T.Colon;
		const name = textOf(tokens, doubled ? i + 2 : i + 1).toLowerCase();
		if (!doubled && !OLD_PSEUDO_ELEMENTS.has(name)) continue;
		const at = tokens.starts[i] as number;
		const before = selector.slice(0, at);
		const bare = before === '' || /[\s>+~]$/.test(before);
		const rest = selector.slice(at).replace(/^:+/, '');
		return { element: bare ? `${before}*` : before, pseudo: `::${rest.toLowerCase()}` };
	}
	return { element: selector, pseudo: '' };
}

/**
 * A selector list for the elements that another may match at some time: without its pseudo-elements, and with its
 * states (`:hover` and the like) assumed.
 */
export const elementsOf = (list: string): string =>
	selectorsIn(list)
		.map((one) => statesOf(originatingOf(one).element).given)
		.join(', ');
