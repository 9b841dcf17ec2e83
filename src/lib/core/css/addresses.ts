import { rememberedPieces } from '../remember/index.ts';
import type { Span } from './node.ts';
import { partsOf } from './parts.ts';
import { isSpace, skipSpace, stringValue, T, textOf, tokensOf, urlValue } from './tokens.ts';

/** An address in a sheet: in `url(…)`, `src(…)`, `image-set("…")` or as the string of an `@import`. */
export interface SheetAddress {
	readonly address: string;
	/** The whole of `url(…)`, or the string. */
	readonly span: Span;
	readonly import: boolean;
}

/** Every address of a sheet's text in source order; those of `@namespace` are names, not addresses. */
export function addressesIn(source: string): SheetAddress[] {
	const found: SheetAddress[] = [];
	let at = 0;
	for (const part of partsOf(source)) {
		for (const one of inPart(part))
			found.push({ ...one, span: { start: one.span.start + at, end: one.span.end + at } });
		at += part.length;
	}
	return found;
}

const inPart = rememberedPieces(readAddresses);

function readAddresses(source: string): readonly SheetAddress[] {
	const tokens = tokensOf(source);
	const { count, types, starts } = tokens;
	const found: SheetAddress[] = [];
	const put = (address: string, from: number, to: number): void => {
		const before = lastBefore(from);
		const rule =
			before !== undefined && types[before] === T.AtKeyword ? textOf(tokens, before).toLowerCase() : '';
		if (rule === '@namespace' || (before !== undefined && namespaced(before))) return;
		const span = { start: starts[from] as number, end: starts[Math.min(to, count)] as number };
		found.push({ address, span, import: rule === '@import' });
	};
	const lastBefore = (i: number): number | undefined => {
		let at = i - 1;
		while (at >= 0 && isSpace(tokens, at)) at--;
		return at < 0 ? undefined : at;
	};
	const namespaced = (i: number): boolean => {
		const before = types[i] === T.Ident ? lastBefore(i) : undefined;
		return before !== undefined && textOf(tokens, before).toLowerCase() === '@namespace';
	};
	const inSet: number[] = [];
	for (let i = 0; i < count; i++) {
		while (inSet.length > 0 && i > (inSet[inSet.length - 1] as number)) inSet.pop();
		const type = types[i];
		if (type === T.Url) put(urlValue(textOf(tokens, i)), i, i + 1);
		else if (type === T.Function) {
			const name = textOf(tokens, i).toLowerCase();
			const close = tokens.close[i] as number;
			if (/^(-webkit-)?image-set\($/.test(name)) inSet.push(close);
			const first = skipSpace(tokens, i + 1, Math.min(close, count));
			if ((name === 'url(' || name === 'src(') && types[first] === T.String) {
				put(stringValue(textOf(tokens, first)), i, close + 1);
				i = Math.min(close, count);
			} else if (name === 'type(') i = Math.min(close, count);
		} else if (type === T.String) {
			const before = lastBefore(i);
			const imported =
				before !== undefined &&
				types[before] === T.AtKeyword &&
				textOf(tokens, before).toLowerCase() === '@import';
			if (imported || inSet.length > 0) put(stringValue(textOf(tokens, i)), i, i + 1);
		}
	}
	return found;
}
