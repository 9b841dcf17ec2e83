import { T, textOf, tokensOf } from '../css/tokens.ts';

/** States that a frame may be told to show, by the pseudo-class that means them and the attribute that stands for them. */
export const STATE_ATTRIBUTES: Readonly<Record<string, string>> = {
	hover: 'data-vantaggio-hover',
	active: 'data-vantaggio-active',
	focus: 'data-vantaggio-focus',
	'focus-visible': 'data-vantaggio-focus',
	'focus-within': 'data-vantaggio-focus-within'
};

/** A selector whose pseudo-classes come and go with pointer and keys. */
export interface WithStates {
	/** As it matches while nothing but what frames are told to show holds: not what the pointer happens to be over. */
	readonly now: string;
	/** As it would hit if every state in it held; where `:not()` has one, it then hits nothing. */
	readonly given: string;
	/** The states in it; none for most selectors, which are then as they are written. */
	readonly states: readonly string[];
}

/** A selector with its states told apart. */
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
