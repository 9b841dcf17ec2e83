import { T, textOf, tokensOf, unescapeCss } from '../css/tokens.ts';
import type { Names } from './near.ts';

/** The classes and ids that occur anywhere in a selector, each once. */
export function namesIn(selector: string): Names {
	const tokens = tokensOf(selector);
	const [classes, ids] = [new Set<string>(), new Set<string>()];
	for (let i = 0; i < tokens.count; i++) {
		const text = textOf(tokens, i);
		if (tokens.types[i] === T.Hash) ids.add(unescapeCss(text.slice(1)));
		else if (tokens.types[i] === T.Delim && text === '.' && tokens.types[i + 1] === T.Ident)
			classes.add(unescapeCss(textOf(tokens, i + 1)));
	}
	return { classes: [...classes], ids: [...ids] };
}
