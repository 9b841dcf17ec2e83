import type { Span } from '../css/node.ts';
import type { Page } from './page.ts';

/** The part of a start tag around an offset: one class, or otherwise a whole attribute. */
export function attributeAt(
	{ source, elements }: Page,
	offset: number
): { readonly span: Span; readonly words: string } | undefined {
	for (const { startTag, attributes } of elements) {
		if (!startTag || offset < startTag.start || offset >= startTag.end) continue;
		for (const [name, { span }] of attributes) {
			if (!span || offset < span.start || offset > span.end) continue;
			const text = source.slice(span.start, span.end);
			if (name === 'class') {
				for (const word of text.matchAll(/[^\s"'=]+/g)) {
					const start = span.start + word.index;
					const end = start + word[0].length;
					if (word.index > 0 && start <= offset && offset <= end)
						return { span: { start, end }, words: `class ${word[0]}` };
				}
			}
			return { span, words: text };
		}
	}
	return undefined;
}
