import { T, textOf, tokensOf } from '../css/tokens.ts';

/** States that a frame can be made to show: their pseudo-class, and the attribute that stands for it. */
export const STATE_ATTRIBUTES: Readonly<Record<string, string>> = {
	hover: 'data-vantaggio-hover',
	active: 'data-vantaggio-active',
	focus: 'data-vantaggio-focus',
	'focus-visible': 'data-vantaggio-focus',
	'focus-within': 'data-vantaggio-focus-within'
};

/** A selector with pseudo-classes that depend on pointer and keys. */
export interface WithStates {
	/** As it matches while only the states that frames are made to show apply, whatever the pointer is over. */
	readonly now: string;
	/** As it would match if every state in it applied; where `:not()` contains one, it then matches nothing. */
	readonly given: string;
	/** The states in it; none for most selectors, which then stay as written. */
	readonly states: readonly string[];
}

/** A selector split from its states. */
export function statesOf(selector: string): WithStates {
	const tokens = tokensOf(selector);
	const states: string[] = [];
	let now = '';
	let given = '';
	for (let i = 0; i < tokens.count; i++) {
		const text = textOf(tokens, i);
		const name = i + 1 < tokens.count ? textOf(tokens, i + 1).toLowerCase() : '';
		const attribute =
			tokens.types[i] === T.Colon && tokens.types[i - 1] !== T.Colon && tokens.types[i + 1] === T.Ident
				? STATE_ATTRIBUTES[name]
				: undefined;
		if (attribute) {
			states.push(`:${name}`);
			now += `[${attribute}]`;
			given += ':is(*)';
			i++;
		} else {
			now += text;
			given += text;
		}
	}
	return { now, given, states };
}
