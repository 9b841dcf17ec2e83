import type { Span } from '../core/css/index.ts';
import { parsePage, styleSpans } from '../core/html/index.ts';

/** The parts of a text that are sheets: all of a sheet's file, or the `<style>` elements of a page. */
export const sheetParts = (text: string, kind: 'page' | 'sheet'): Span[] =>
	kind === 'sheet' ? [{ start: 0, end: text.length }] : styleSpans(parsePage(text));

/** The sheet around an offset of a text, or ending at it. */
export const sheetPartAt = (text: string, kind: 'page' | 'sheet', offset: number): Span | undefined =>
	sheetParts(text, kind).find(({ start, end }) => start <= offset && offset <= end);
