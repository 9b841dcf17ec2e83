import { lineStart } from '../../text/index.ts';

/** The white space at the start of the line that an offset is on. */
export const indentAt = (source: string, offset: number): string =>
	/^[^\S\n]*/.exec(source.slice(lineStart(source, offset), offset))?.[0] ?? '';

/** Whether only white space precedes an offset on its line. */
export const isFirstOnLine = (source: string, offset: number): boolean =>
	source.slice(lineStart(source, offset), offset).trim() === '';

/** The length of the comments that follow an offset on its line, with the space before them. */
export const commentsAfter = (source: string, offset: number): number =>
	/^(?:[^\S\n]*\/\*(?:(?!\*\/)[^\n])*\*\/)*/.exec(source.slice(offset))?.[0].length ?? 0;
