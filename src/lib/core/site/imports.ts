import { importOf, type AtRule, type Import, type Sheet } from '../css/index.ts';
import { resolveAddress } from './address.ts';

/** An `@import` that counts, with the file it leads to; null where that is outside the site. */
export interface ImportUse {
	readonly rule: AtRule;
	readonly parts: Import;
	readonly path: string | null;
}

/**
 * The `@import` rules of a sheet that count (CSS Cascade 5 §2): before everything but `@charset` and `@layer`
 * statements, with addresses resolved from the sheet's file.
 */
export function importsOf(sheet: Sheet, file: string): ImportUse[] {
	const uses: ImportUse[] = [];
	for (const node of sheet.children) {
		if (node.kind === 'comment') continue;
		if (node.kind !== 'at-rule') break;
		if (node.name === 'charset' || (node.name === 'layer' && !node.block)) continue;
		if (node.name !== 'import') break;
		const parts = importOf(sheet.source, node);
		if (!parts) continue;
		const target = resolveAddress(parts.address, file);
		uses.push({ rule: node, parts, path: target.kind === 'site' ? target.path : null });
	}
	return uses;
}
