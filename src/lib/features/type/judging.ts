import type { SiteState } from '$lib/session/site.svelte.ts';

/**
 * Keys by which a field changes the width for which a size is intended: Alt with arrows moves the carriage, Page Up
 * and Page Down go to the next vantage. True where it was one of them.
 */
export function judging({ carriage, vantages, viewing }: SiteState, event: KeyboardEvent): boolean {
	const along = event.altKey ? { ArrowLeft: -1, ArrowRight: 1 }[event.key] : undefined;
	const { list } = vantages;
	const next = { PageUp: -1, PageDown: 1 }[event.key];
	if (along === undefined && (next === undefined || list.length === 0)) return false;
	event.preventDefault();
	if (along !== undefined) carriage.width += along * (event.shiftKey ? 10 : 1);
	else if (next !== undefined) {
		const at = list.findIndex(({ fields }) => fields.name === viewing.lead);
		const found = list[(at < 0 && next < 0 ? 0 : at + next + list.length) % list.length];
		viewing.choose(found?.fields ?? null);
	}
	return true;
}
