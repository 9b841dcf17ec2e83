import { features } from 'web-features';
import type { SupportTable } from '$lib/core/support/index.ts';

let table: SupportTable | undefined;

/** Since when every engine has supported each feature of CSS, from the package `web-features`; read once. */
export function supportTable(): SupportTable {
	if (table) return table;
	const found: Record<string, string | null> = {};
	for (const feature of Object.values(features)) {
		if (feature.kind !== 'feature') continue;
		const own = feature.status.by_compat_key ?? {};
		for (const key of feature.compat_features ?? []) {
			if (!key.startsWith('css.')) continue;
			const { baseline, baseline_low_date: since } = own[key] ?? feature.status;
			found[key.slice(4)] = baseline === false ? null : (since?.replace(/[^\d-]/g, '') ?? null);
		}
	}
	return (table = found);
}
