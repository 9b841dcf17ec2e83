import type { Page } from '../html/index.ts';
import { sizesConditions } from '../site/index.ts';
import type { Vantage } from '../vantage.ts';
import { applyChanges, type Change } from '../text/index.ts';
import { simulateQuery } from './query.ts';

const quoted = (name: string, value: string): string =>
	`${name}="${value.replace(/&/g, '&amp;').replace(/"/g, '&quot;')}"`;

/** The source of a page whose `media` and `sizes` attributes are read as a vantage would read them. */
export function simulatePage(page: Page, vantage: Vantage): string {
	const changes: Change[] = [];
	for (const { tag, attributes } of page.elements) {
		const media = /^(source|style|link)$/.test(tag) ? attributes.get('media') : undefined;
		if (media?.span) {
			const value = simulateQuery(media.value, vantage);
			if (value !== media.value) changes.push({ ...media.span, text: quoted('media', value) });
		}
		const sizes = /^(img|source)$/.test(tag) ? attributes.get('sizes') : undefined;
		if (sizes?.span) {
			let { value } = sizes;
			for (const condition of sizesConditions(value)) {
				value = value.replace(condition, () => simulateQuery(condition, vantage));
			}
			if (value !== sizes.value) changes.push({ ...sizes.span, text: quoted('sizes', value) });
		}
	}
	return applyChanges(page.source, changes);
}
