import type { Steps } from '../steps/index.ts';
import { importsOf } from './imports.ts';
import { sheetsOfPage, textOfUse } from './sheets.ts';
import { readAhead, type Parsers } from './sources.ts';

/** Reads a page and all its sheets in steps, including imported ones, so that they are cached when needed. */
export function* readPageAhead(
	by: Parsers,
	path: string,
	source: string,
	textOf: (path: string) => string | undefined
): Steps<void> {
	yield* readAhead(by, 'page', source);
	const seen = new Set<string>();
	const page = by.page(source);
	const waiting = sheetsOfPage(page, path).map((use) => textOfUse(use, page, path, textOf));
	for (const found of waiting) {
		if (!found) continue;
		const { file, text } = found;
		yield* readAhead(by, 'sheet', text);
		for (const { path: imported } of importsOf(by.sheet(text), file)) {
			if (imported === null || seen.has(imported)) continue;
			seen.add(imported);
			const importedText = textOf(imported);
			if (importedText !== undefined) waiting.push({ file: imported, text: importedText, offset: 0 });
		}
	}
}
