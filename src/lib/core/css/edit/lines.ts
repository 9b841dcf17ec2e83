import { T, tokensOf } from '../tokens.ts';

/**
 * A text of a sheet with the indentation of every line but the first changed; lines that begin inside a string are
 * left alone, since their white space belongs to the string.
 */
export function reindentedLines(text: string, change: (indent: string) => string): string {
	const tokens = tokensOf(text);
	const strings: [start: number, end: number][] = [];
	for (let i = 0; i < tokens.count; i++) {
		const type = tokens.types[i];
		if (type === T.String || type === T.BadString || type === T.Url || type === T.BadUrl)
			strings.push([tokens.starts[i] as number, tokens.starts[i + 1] as number]);
	}
	let next = 0;
	return text.replace(/\n([^\S\n]*)(?=[^\s])/g, (whole, indent: string, at: number) => {
		while ((strings[next]?.[1] ?? Infinity) <= at) next++;
		const [start = Infinity] = strings[next] ?? [];
		return start < at ? whole : `\n${change(indent)}`;
	});
}
