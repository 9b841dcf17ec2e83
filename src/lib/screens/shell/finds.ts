import { sliceOf, walk } from '$lib/core/css/index.ts';
import type { Findable } from '$lib/core/find/index.ts';
import { attribute, nameOfElement, type ElementPath, type PageElement } from '$lib/core/html/index.ts';
import { toNumber } from '$lib/core/interval/index.ts';
import { PLAIN } from '$lib/core/vantage/index.ts';
import { lineStarts, placeAt } from '$lib/core/text/index.ts';
import { performAction, shownKey, type KeyMap } from '$lib/session/keys.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import { inFileInWords, shownAt } from '$lib/session/placeInWords.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';

/** Something that can be found and gone to. */
export interface Find extends Findable {
	readonly kind: 'screen' | 'page' | 'file' | 'breakpoint' | 'action' | 'rule' | 'element' | 'property';
	/** The key of an action. */
	readonly key?: string;
	readonly go: () => void;
}

/** Ways to go to what was found. */
export interface Ways {
	screen(screen: string): void;
	page(path: string): void;
	create(): void;
	/** Opens the dialog for renaming, copying or deleting a file. */
	change(path: string): void;
	file(path: string, offset: number): void;
	width(px: number): void;
	element(path: ElementPath): void;
}

/** Words of an element besides its name: its text, or the text in place of a picture or a field. */
const wordsOf = (element: PageElement): string =>
	[
		element.text,
		...['alt', 'aria-label', 'placeholder', 'title', 'href'].map((name) => attribute(element, name))
	]
		.join(' ')
		.replace(/\s+/g, ' ')
		.trim()
		.slice(0, 120);

const UNSEEN = new Set(['head', 'meta', 'link', 'style', 'script', 'title', 'base', 'source']);

function* rulesOf(site: SiteState, page: PageState, ways: Ways): Generator<Find> {
	const own = page.conditions.places.map(({ file, text, offset }) => ({ file, text, offset }));
	const others = [...site.texts.values()]
		.filter(({ kind, path }) => kind === 'sheet' && !own.some(({ file }) => file === path))
		.map(({ path, text }) => ({ file: path, text, offset: 0 }));
	for (const { file, text, offset } of [...own, ...others]) {
		const sheet = page.sources.sheet(text);
		const starts = lineStarts(page.sources.text(file) ?? '');
		for (const node of walk(sheet)) {
			if (node.kind !== 'rule') continue;
			const at = offset + node.span.start;
			const place = placeAt(starts, at);
			const around = node.parent.kind === 'at-rule' ? sliceOf(text, node.parent.prelude) : '';
			yield {
				kind: 'rule',
				name: sliceOf(text, node.prelude).replace(/\s+/g, ' '),
				also: `${file}:${place.line}${inFileInWords(shownAt(site, file, place))} ${around}`.trim(),
				go: () => ways.file(file, at)
			};
		}
	}
}

/** Everything that can be found: small groups first, so that they come first among equal matches. */
export function* findsOf(
	site: SiteState,
	page: PageState,
	screens: readonly { readonly name: string; readonly screen: string }[],
	keys: KeyMap,
	ways: Ways
): Generator<Find> {
	for (const { name, screen } of screens) yield { kind: 'screen', name, go: () => ways.screen(screen) };
	for (const { path, kind } of site.files) {
		if (kind === 'page') yield { kind: 'page', name: path, go: () => ways.page(path) };
	}
	for (const { path, kind } of site.texts.values()) {
		yield {
			kind: 'file',
			name: path,
			also: kind === 'page' ? 'HTML of the page' : 'sheet',
			go: () => ways.file(path, 0)
		};
	}
	yield { kind: 'action', name: 'New sheet, style element, page or files', go: ways.create };
	for (const { path } of site.files) {
		yield { kind: 'action', name: `Rename, copy or delete ${path}`, go: () => ways.change(path) };
	}
	for (const [key, action] of Object.entries(keys)) {
		const shown = shownKey(key);
		yield { kind: 'action', name: action.name, key: shown, go: () => performAction(action) };
		if (action.withShift) {
			yield {
				kind: 'action',
				name: action.withShift,
				key: `Shift ${shown}`,
				go: () => performAction(action, true)
			};
		}
	}
	for (const { cut, causes } of page.bands(PLAIN).thresholds) {
		const px = toNumber(cut.at);
		yield {
			kind: 'breakpoint',
			name: String(px),
			also: causes.map(({ text }) => text).join(' '),
			go: () => ways.width(cut.after ? Math.floor(px) + 1 : Math.ceil(px))
		};
	}
	yield* rulesOf(site, page, ways);
	for (const element of page.page.elements) {
		if (UNSEEN.has(element.tag)) continue;
		yield {
			kind: 'element',
			name: nameOfElement(element),
			also: wordsOf(element),
			go: () => ways.element(element.path)
		};
	}
}
