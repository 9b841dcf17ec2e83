import type { FrameContent } from '../core/page/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { EditOnPage } from '../core/wake/index.ts';
import type { Comparing, NamedElement } from '../workers/comparing.ts';
import type { Texts } from '../workers/texts.ts';
import { Thread } from './thread.ts';

/** A page before an edit of some files, and after it. */
export interface EditedPage {
	readonly path: string;
	readonly before: Texts;
	readonly after: Texts;
	readonly files: readonly string[];
}

/** Compares pages before and after edits, in a thread of its own. */
export class Comparer {
	readonly #thread = new Thread<Comparing>(
		() => new Worker(new URL('../workers/comparing.worker.ts', import.meta.url), { type: 'module' })
	);

	/** Begins its thread, so that it is there when it is asked. */
	begin(): void {
		this.#thread.begin();
	}

	/** What an edit touches on a page. */
	edit({ path, before, after, files }: EditedPage, as: SeenVantage): Promise<EditOnPage> {
		return this.#thread.ask((does, texts) => {
			const [was, is] = texts.send(before, after);
			return does.edit({ path, before: was, after: is, files, as });
		});
	}

	/** What frames of a vantage are given of a page before an edit, and after it. */
	contents(
		{ path, before, after }: EditedPage,
		prefix: string,
		as: SeenVantage
	): Promise<[before: FrameContent, after: FrameContent]> {
		return this.#thread.ask((does, texts) => {
			const [was, is] = texts.send(before, after);
			return Promise.all([does.content(path, was, prefix, as), does.content(path, is, prefix, as)]);
		});
	}

	/** The outermost of elements, and what they are called. */
	outermost({ path, before, after }: EditedPage, paths: readonly string[]): Promise<NamedElement[]> {
		return this.#thread.ask((does, texts) => {
			const [was, is] = texts.send(before, after);
			return does.outermost(path, was, is, paths);
		});
	}

	/** Ends its thread; it is begun anew when it is asked again. */
	end(): void {
		this.#thread.end();
	}
}
