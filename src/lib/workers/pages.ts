import { bandsOf } from '../core/media/index.ts';
import type { Cut } from '../core/interval/index.ts';
import { frameContents, pageModel, solvers, type PageModel } from '../core/page/index.ts';
import { rememberedBy } from '../core/remember/index.ts';
import { parsers, sourcesOf } from '../core/site/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { PageContent } from '../stage/protocol.ts';
import { TextKeeper, type SentTexts, type Texts } from './texts.ts';

/** A page by the texts that were sent for it, and their numbers. */
interface SentPage {
	readonly path: string;
	readonly ids: SentTexts['ids'];
	readonly texts: Texts;
}

/** A page made of some texts. */
export interface PageOfTexts {
	readonly model: PageModel;
	readonly texts: Texts;
}

/** The number of pages cached, each with its texts. */
const MOST_PAGES = 8;

/** Pages by the texts that were sent for them, and what vantages make of them. */
export class Pages {
	readonly #keeper = new TextKeeper();
	readonly parsers = parsers();
	readonly #content = frameContents(this.parsers);
	readonly #model = rememberedBy(
		MOST_PAGES,
		({ path, ids }: SentPage) => `${path} ${ids.map((one) => one.join(':')).join(' ')}`,
		({ path, texts }: SentPage) => this.of(path, texts)
	);
	/** The widths of a vantage at which lists of media queries hold. */
	readonly solver = solvers();

	/** @throws {Error} for a text that was never sent */
	texts(sent: SentTexts): Texts {
		return this.#keeper.take(sent);
	}

	/** @throws {Error} as `texts` does */
	page(path: string, sent: SentTexts): PageOfTexts {
		const texts = this.texts(sent);
		return { model: this.#model({ path, ids: sent.ids, texts }), texts };
	}

	of(path: string, texts: Texts): PageModel {
		return pageModel(
			path,
			sourcesOf((file) => texts.get(file), this.parsers)
		);
	}

	/** Where conditions of a page change, in a vantage. */
	cuts(model: PageModel, as: SeenVantage): readonly Cut[] {
		return bandsOf(model.conditions.media, this.solver(as)).thresholds.map(({ cut }) => cut);
	}

	/** What frames of a vantage get of a page, on a stage with a prefix for its files. */
	content(model: PageModel, prefix: string, as: SeenVantage): PageContent {
		return { ...this.#content(model, prefix, as), staged: [] };
	}
}
