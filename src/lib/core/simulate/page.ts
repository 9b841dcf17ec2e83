import type { Page } from '../html/index.ts';
import { sizesConditions } from '../site/index.ts';
import { applyChanges, type Change } from '../text/index.ts';
import { PLAIN, type SeenVantage, type Vantage } from '../vantage/index.ts';
import { schemeInVantage } from './colorScheme.ts';
import { simulateQuery } from './query.ts';
import { simulateStyle } from './sheet.ts';
import { valueChanges } from './value.ts';

const quoted = (name: string, value: string): string =>
	`${name}="${value.replace(/&/g, '&amp;').replace(/"/g, '&quot;')}"`;

function simulateSizes(sizes: string, vantage: Vantage): string {
	let value = sizes;
	for (const condition of sizesConditions(value)) {
		value = value.replace(condition, () => simulateQuery(condition, vantage));
	}
	return applyChanges(value, valueChanges(value, 0, vantage));
}

type Reading = (value: string, vantage: Vantage) => string;

/** Attributes that a vantage may read differently from the engine, by tag. */
const READINGS: readonly (readonly [tag: RegExp, attribute: string, read: Reading])[] = [
	[/^(source|style|link)$/, 'media', simulateQuery],
	[/^(img|source)$/, 'sizes', simulateSizes],
	[/./, 'style', simulateStyle]
];

/**
 * The source of a page with its `media`, `sizes` and `style` attributes and colour scheme rewritten as a vantage
 * would read them.
 */
export function simulatePage(page: Page, vantage: Vantage): string {
	const changes: Change[] = [];
	const put = (name: string, value: string, span: { start: number; end: number }, read: string): void => {
		if (read !== value) changes.push({ ...span, text: quoted(name, read) });
	};
	for (const { tag, attributes } of page.elements) {
		for (const [tags, name, read] of READINGS) {
			const attribute = tags.test(tag) ? attributes.get(name) : undefined;
			if (attribute?.span) put(name, attribute.value, attribute.span, read(attribute.value, vantage));
		}
		const content = tag === 'meta' ? attributes.get('content') : undefined;
		if (content?.span && attributes.get('name')?.value.toLowerCase() === 'color-scheme') {
			put('content', content.value, content.span, schemeInVantage(content.value, vantage.colorScheme));
		}
	}
	return applyChanges(page.source, changes);
}

/**
 * A vantage for a page: without safe areas, unless the page's viewport meta element covers them (CSS Round Display 1
 * §3.2).
 */
export function vantageOnPage(page: Page, vantage: SeenVantage): SeenVantage {
	const covers = page.elements.some(
		({ tag, attributes }) =>
			tag === 'meta' &&
			attributes.get('name')?.value.toLowerCase() === 'viewport' &&
			/viewport-fit\s*=\s*cover/i.test(attributes.get('content')?.value ?? '')
	);
	return covers ? vantage : { ...vantage, safeAreas: PLAIN.safeAreas };
}
