import { Tokenizer, TokenizerMode, type Token } from 'parse5';
import type { Span } from '../css/node.ts';

/** A start or end tag in a source. */
export interface Tag {
	readonly kind: 'start' | 'end';
	/** Lower case. */
	readonly name: string;
	readonly span: Span;
	readonly selfClosing: boolean;
	/** The spans of its attributes, by name. */
	readonly attributes: ReadonlyMap<string, Span>;
}

/** How the text in an element is read (HTML §13.2.5); in other elements it is markup. */
const MODES: Readonly<Record<string, number>> = {
	title: TokenizerMode.RCDATA,
	textarea: TokenizerMode.RCDATA,
	style: TokenizerMode.RAWTEXT,
	xmp: TokenizerMode.RAWTEXT,
	iframe: TokenizerMode.RAWTEXT,
	noembed: TokenizerMode.RAWTEXT,
	noframes: TokenizerMode.RAWTEXT,
	script: TokenizerMode.SCRIPT_DATA,
	plaintext: TokenizerMode.PLAINTEXT
};

/** Every tag of a page's source in order, except in comments, scripts and styles. Never throws. */
export function tagsOf(source: string): Tag[] {
	const tags: Tag[] = [];
	const add = (kind: Tag['kind'], token: Token.TagToken): void => {
		const { location } = token;
		if (!location) return;
		const attributes = Object.entries(location.attrs ?? {}).map(
			([name, { startOffset: start, endOffset: end }]) => [name, { start, end }] as const
		);
		tags.push({
			kind,
			name: token.tagName,
			span: { start: location.startOffset, end: location.endOffset },
			selfClosing: token.selfClosing,
			attributes: new Map(attributes)
		});
	};
	const ignore = (): void => undefined;
	const tokenizer = new Tokenizer(
		{ sourceCodeLocationInfo: true },
		{
			onStartTag(token) {
				add('start', token);
				const mode = MODES[token.tagName];
				if (mode !== undefined) tokenizer.state = mode as typeof tokenizer.state;
			},
			onEndTag: (token) => add('end', token),
			onComment: ignore,
			onDoctype: ignore,
			onEof: ignore,
			onCharacter: ignore,
			onNullCharacter: ignore,
			onWhitespaceCharacter: ignore
		}
	);
	tokenizer.write(source, true);
	return tags;
}
