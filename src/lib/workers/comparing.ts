import { nameAt } from '../core/html/index.ts';
import { frameContents, pageModel, solvers, type FrameContent, type PageModel } from '../core/page/index.ts';
import { parsers, sourcesOf } from '../core/site/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import { editOnPage, outermost, type EditOnPage } from '../core/wake/index.ts';
import { TextKeeper, type SentTexts, type Texts } from './texts.ts';

/** An edit of some files, as it is to be compared on a page. */
export interface AskedEdit {
	readonly path: string;
	readonly before: SentTexts;
	readonly after: SentTexts;
	readonly files: readonly string[];
	readonly as: SeenVantage;
}

/** An element that is in none of some others, by name, and how many of them are inside it. */
export interface NamedElement {
	readonly path: string;
	readonly inside: number;
	readonly name: string;
}

/** So many pages are remembered, each as some texts have it. */
const MOST_PAGES = 8;

/** Compares pages before and after edits, by their texts. */
export class Comparing {
	readonly #keeper = new TextKeeper();
	readonly #solver = solvers();
	readonly #content = frameContents();
	readonly #parsers = parsers();
	readonly #pages = new Map<string, PageModel>();

	/** What an edit touches on a page. */
	edit({ path, before, after, files, as }: AskedEdit): EditOnPage {
		const [a, b] = [this.#page(path, before), this.#page(path, after)];
		return editOnPage(a, b, files, this.#solver(as));
	}

	/** What frames of a vantage are given of a page, on a stage with a prefix for its files. */
	content(path: string, texts: SentTexts, prefix: string, as: SeenVantage): FrameContent {
		return this.#content(this.#page(path, texts), prefix, as);
	}

	/** The outermost of elements, and what they are called: by the page before where they are no longer there. */
	outermost(path: string, before: SentTexts, after: SentTexts, paths: readonly string[]): NamedElement[] {
		const [was, is] = [this.#page(path, before), this.#page(path, after)];
		return outermost(paths).map((one) => {
			const at = one.path === '' ? [] : one.path.split('.').map(Number);
			return { ...one, name: nameAt(is.page, at, nameAt(was.page, at, 'something')) };
		});
	}

	#page(path: string, sent: SentTexts): PageModel {
		const texts: Texts = this.#keeper.take(sent);
		const key = `${path} ${sent.ids.map(([file, id]) => `${file}:${id}`).join(' ')}`;
		const known =
			this.#pages.get(key) ??
			pageModel(
				path,
				sourcesOf((file) => texts.get(file), this.#parsers)
			);
		this.#pages.delete(key);
		this.#pages.set(key, known);
		if (this.#pages.size > MOST_PAGES) this.#pages.delete(this.#pages.keys().next().value as string);
		return known;
	}
}
