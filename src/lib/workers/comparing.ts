import { nameAt, readPath } from '../core/html/index.ts';
import {
	frameContents,
	pageModel,
	rememberedBy,
	solvers,
	type FrameContent,
	type PageModel
} from '../core/page/index.ts';
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

/** One of the outermost of some elements, by name, and how many of the others are inside it. */
export interface NamedElement {
	readonly path: string;
	readonly inside: number;
	readonly name: string;
}

/** A page by the texts that were sent for it, and their numbers. */
interface SentPage {
	readonly path: string;
	readonly ids: SentTexts['ids'];
	readonly texts: Texts;
}

/** How many pages are remembered, each with the texts that it was asked for. */
const MOST_PAGES = 8;

/** Compares pages before and after edits, by their texts. */
export class Comparing {
	readonly #keeper = new TextKeeper();
	readonly #solver = solvers();
	readonly #parsers = parsers();
	readonly #content = frameContents(this.#parsers);
	readonly #model = rememberedBy(
		MOST_PAGES,
		({ path, ids }: SentPage) => `${path} ${ids.map((one) => one.join(':')).join(' ')}`,
		({ path, texts }: SentPage) =>
			pageModel(
				path,
				sourcesOf((file) => texts.get(file), this.#parsers)
			)
	);

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
			const at = readPath(one.path);
			return { ...one, name: nameAt(is.page, at, nameAt(was.page, at, 'something')) };
		});
	}

	#page(path: string, sent: SentTexts): PageModel {
		return this.#model({ path, ids: sent.ids, texts: this.#keeper.take(sent) });
	}
}
