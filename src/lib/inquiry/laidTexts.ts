import { pathsOf } from '../core/findings/index.ts';
import { wordsIn, type Page } from '../core/html/index.ts';
import { brokenIn, type Broken } from '../core/type/index.ts';
import type { PageContent, Viewport } from '../stage/protocol.ts';
import type { MeasuringLayout } from './layout.ts';

/** The layout of texts at a width: the size of each, and how it is broken into lines, by its path. */
export interface LaidTexts {
	readonly width: number;
	readonly sizes: ReadonlyMap<string, number>;
	/** Line heights, px; NaN for `normal`. */
	readonly lineHeights: ReadonlyMap<string, number>;
	readonly broken: ReadonlyMap<string, Broken>;
}

/** Measures texts at some widths, out of sight. */
export async function* laidTexts(
	page: Page,
	content: PageContent,
	layout: MeasuringLayout,
	viewport: Viewport,
	widths: readonly number[],
	signal: AbortSignal
): AsyncGenerator<LaidTexts> {
	const characters = new Map(
		page.elements.flatMap((element) => {
			const length = /^(html|head|body|script|style)$/.test(element.tag) ? 0 : wordsIn(element).length;
			return length > 0 ? [[element.path.join('.'), length]] : [];
		})
	);
	const job = { content, viewport, widths, priority: 0, signal };
	for await (const { width, snapshot } of layout.measure(job)) {
		const paths = pathsOf(snapshot);
		const texts = new Map(
			paths.flatMap((path, i) => {
				const length = characters.get(path);
				return length === undefined ? [] : [[i, length] as const];
			})
		);
		const broken = brokenIn(snapshot, texts);
		yield {
			width,
			sizes: new Map(paths.map((path, i) => [path, snapshot.fontSize[i] ?? NaN])),
			lineHeights: new Map(paths.map((path, i) => [path, snapshot.lineHeight[i] ?? NaN])),
			broken: new Map([...broken].map(([i, one]) => [paths[i] ?? '', one]))
		};
	}
}
