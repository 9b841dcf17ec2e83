import { sliceOf } from '../css/index.ts';
import type { Steps } from '../steps/index.ts';
import { importsOf } from './imports.ts';
import { sheetsOfPage } from './sheets.ts';
import { readAhead, type Parsers } from './sources.ts';

/** Reads a page and all its sheets in steps, imported ones too, so that they are known when they are asked for. */
export function* readPageAhead(
	by: Parsers,
	path: string,
	source: string,
	textOf: (path: string) => string | undefined
): Steps<void> {
	yield* readAhead(by, 'page', source);
	const seen = new Set<string>();
	const waiting = sheetsOfPage(by.page(source), path).flatMap(({ from }) =>
		from.kind === 'outside'
			? []
			: from.kind === 'file'
				? [{ file: from.path, text: textOf(from.path) }]
				: [{ file: path, text: sliceOf(source, from.span) }]
	);
	for (const { file, text } of waiting) {
		if (text === undefined) continue;
		yield* readAhead(by, 'sheet', text);
		for (const { path: imported } of importsOf(by.sheet(text), file)) {
			if (imported === null || seen.has(imported)) continue;
			seen.add(imported);
			waiting.push({ file: imported, text: textOf(imported) });
		}
	}
}
