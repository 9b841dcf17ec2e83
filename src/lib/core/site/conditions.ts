import { sliceOf, walk, type AtRule, type Block, type Sheet, type Span } from '../css/index.ts';
import { isInside, sourceSizes, type Page } from '../html/index.ts';
import type { MediaSite } from '../media/index.ts';
import { importsOf } from './imports.ts';
import { sheetsOfPage, textOfUse, type SheetText } from './sheets.ts';
import type { Sources } from './sources.ts';

/** A condition of `@supports` or `@container`, which is not a threshold of viewport width. */
export interface OtherCondition {
	readonly kind: 'supports' | 'container';
	readonly file: string;
	readonly span: Span;
	readonly text: string;
}

/** A sheet's text at its place on a page. */
export interface SheetPlace extends SheetText {
	/** The conditions under which the page has it, outermost first. */
	readonly within: readonly MediaSite[];
}

export interface PageConditions {
	/** Every sheet of the page, including imported ones, as often as it occurs. */
	readonly places: readonly SheetPlace[];
	readonly media: readonly MediaSite[];
	readonly others: readonly OtherCondition[];
}

/**
 * Every condition of a page, in the order of its sheets: `media` of `<link>`, `<style>` and `<source>`,
 * `@import` chains, `@media` with everything nested in it, and the media conditions of `sizes`.
 */
export function conditionsOfPage(page: Page, path: string, sources: Sources): PageConditions {
	const media: MediaSite[] = [];
	const others: OtherCondition[] = [];
	const places: SheetPlace[] = [];
	const site = (
		file: string,
		span: Span,
		text: string,
		within: readonly MediaSite[]
	): readonly MediaSite[] => {
		if (text.trim() === '') return within;
		const found: MediaSite = { file, span, text, queries: sources.queries(text), within };
		media.push(found);
		return [...within, found];
	};
	const sheet = (
		text: string,
		file: string,
		offset: number,
		within: readonly MediaSite[],
		chain: readonly string[]
	): void => {
		places.push({ file, text, offset, within });
		const parsed = sources.sheet(text);
		for (const { parts, path: imported } of importsOf(parsed, file)) {
			const inner = site(file, shifted(parts.mediaSpan, offset), parts.media, within);
			const source = imported === null || chain.includes(imported) ? undefined : sources.text(imported);
			if (imported !== null && source !== undefined) sheet(source, imported, 0, inner, [...chain, imported]);
		}
		const known = new Map<Block, readonly MediaSite[]>([[parsed, within]]);
		for (const node of walk(parsed)) {
			if (node.kind !== 'at-rule' && node.kind !== 'rule') continue;
			const around = known.get(node.parent) ?? within;
			known.set(node, node.kind === 'at-rule' ? atRule(node, parsed, file, offset, around) : around);
		}
	};
	const atRule = (
		node: AtRule,
		parsed: Sheet,
		file: string,
		offset: number,
		around: readonly MediaSite[]
	) => {
		if (!node.block) return around;
		const text = sliceOf(parsed.source, node.prelude);
		const span = shifted(node.prelude, offset);
		if (node.name === 'media') return site(file, span, text, around);
		if (node.name === 'supports' || node.name === 'container')
			others.push({ kind: node.name, file, span, text });
		return around;
	};
	for (const use of sheetsOfPage(page, path)) {
		const within = use.mediaSpan ? site(path, use.mediaSpan, use.media, []) : [];
		const found = textOfUse(use, page, path, sources.text);
		if (found) sheet(found.text, found.file, found.offset, within, [found.file]);
	}
	for (const element of page.elements) {
		if (isInside(element, 'noscript')) continue;
		const condition = element.tag === 'source' ? element.attributes.get('media') : undefined;
		if (condition?.span) site(path, condition.span, condition.value, []);
		const sizes =
			element.tag === 'img' || element.tag === 'source' ? element.attributes.get('sizes') : undefined;
		if (sizes?.span) for (const text of sizesConditions(sizes.value)) site(path, sizes.span, text, []);
	}
	return { places, media, others };
}

const shifted = (span: Span, by: number): Span => ({ start: span.start + by, end: span.end + by });

/** The media conditions of a `sizes` attribute (HTML §4.8.4.2.2). */
export const sizesConditions = (value: string): string[] =>
	sourceSizes(value)
		.map(({ condition }) => condition)
		.filter((condition) => condition !== '');
