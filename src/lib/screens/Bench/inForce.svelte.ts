import type { InForce } from '$lib/editor/force.ts';
import type { SeenVantage } from '$lib/core/vantage/index.ts';
import { later } from '$lib/session/later.svelte.ts';
import type { FileText } from '$lib/session/texts.svelte.ts';
import type { BenchState } from './bench.svelte.ts';

/** The pause in changes before it is determined what is in force, ms: frames come first. */
const REST = 80;

/**
 * What in the shown file is in force in the lead, for the text at the time of asking, and why that is unknown
 * (otherwise ''). To be called during component initialisation.
 */
export function inForceOf(bench: BenchState, shown: () => FileText | undefined) {
	/** The lead's vantage without its width: as a text, which stays the same while the carriage moves. */
	const vantage = $derived(JSON.stringify({ ...bench.lead, width: 0 }));
	const answer = later({
		question: () => {
			const file = shown();
			const { page } = bench;
			return file && { page, path: file.path, text: file.text, vantage, of: page.conditions };
		},
		about: ({ page, path }) => `${page.path} ${path}`,
		rest: REST,
		ask: async ({ page, path, text, vantage: as }) => ({
			text,
			...(await page.force(path, JSON.parse(as) as SeenVantage))
		})
	});
	const { carriage } = bench.site;
	const value = $derived<InForce>({
		text: answer.value?.text ?? null,
		rules: answer.value?.rules ?? [],
		said: answer.value?.notes ?? [],
		width: carriage.width,
		range: carriage.range
	});
	return {
		get value() {
			return value;
		},
		get error() {
			return answer.error;
		}
	};
}
