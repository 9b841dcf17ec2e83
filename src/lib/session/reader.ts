import type { Remote } from 'comlink';
import type { Layout, LineInFile, TextKind } from '../core/minified/index.ts';
import type { Result, Search } from '../core/text/index.ts';
import type { SupportTable } from '../core/support/index.ts';
import type { FileMove, PageNames, UsedValue } from '../core/site/index.ts';
import type { FileForce, FollowedFile, Reading, SearchFound, TextRemark } from '../workers/reading.ts';
import type { Texts, TextSender } from '../workers/texts.ts';
import { framesFirst } from './painted.ts';
import { sent, type PageTexts } from './pageTexts.ts';
import { Thread } from './thread.ts';

const reading = (): Worker =>
	new Worker(new URL('../workers/reading.worker.ts', import.meta.url), { type: 'module' });

/**
 * The basis of remarks: since when engines support features, and the date by which all must have supported them, ISO
 * 8601; null for no date.
 */
export interface SupportAsked {
	readonly table: SupportTable | null;
	readonly limit: string | null;
}

/** The time limit of a search, ms: matching some patterns would never end. */
const PATIENCE = 5000;

/**
 * Reads texts in threads: one for remarks on texts, and one for searches, which is terminated where a search takes
 * too long.
 */
class Reader {
	readonly #remarking = new Thread<Reading>(reading);
	readonly #searching = new Thread<Reading>(reading);
	/** The support table that the present thread for remarks has. */
	#informed: { readonly by: object; readonly table: SupportTable } | undefined;

	/** What is wrong in a text. The engine is asked here for what only it knows. */
	async remarks(
		path: string,
		text: string,
		kind: 'page' | 'sheet',
		{ table, limit }: SupportAsked
	): Promise<readonly TextRemark[]> {
		const ask = () =>
			this.#ask(async (remote, texts) => {
				if (table && (this.#informed?.by !== texts || this.#informed.table !== table)) {
					this.#informed = { by: texts, table };
					await remote.takeTable(table);
				}
				const [sent] = texts.send(new Map([[path, text]]));
				return remote.remarks(path, sent, kind, limit);
			});
		const first = await ask();
		if (first.unknown.length === 0) return first.remarks;
		const answers = first.unknown.map(
			([property, value]) => [property, value, CSS.supports(property, value)] as const
		);
		await this.#ask((remote) => remote.takeAnswers(answers));
		return answers.every(([, , taken]) => taken) ? first.remarks : (await ask()).remarks;
	}

	/** What in a file is in force on a page, by places in the given texts. */
	force(page: PageTexts, file: string): Promise<FileForce> {
		return this.#ask((remote, texts) => remote.force(sent(page, texts), file));
	}

	/** The names on a page and in its sheets. */
	names(path: string, texts: Texts): Promise<PageNames> {
		return this.#ask((remote, sender) => remote.names(path, sender.send(texts)[0]));
	}

	/** The values that a page's sheets and the site's others use for a property, the most frequent first. */
	usedValues(path: string, texts: Texts, property: string): Promise<readonly UsedValue[]> {
		return this.#ask((remote, sender) => remote.usedValues(path, sender.send(texts)[0], property));
	}

	/** Where each line of the present layout begins in the file. */
	linesInFile(now: string, kind: TextKind, saved: Layout): Promise<LineInFile[]> {
		return this.#ask((remote, sender) => {
			const texts = new Map([
				['now', now],
				['saved', saved.text]
			]);
			return remote.linesInFile(sender.send(texts)[0], kind, saved.own);
		});
	}

	/** What renaming or deleting a file means for the texts of a site, of which `pages` are pages. */
	followed(texts: Texts, pages: ReadonlySet<string>, move: FileMove): Promise<readonly FollowedFile[]> {
		return this.#ask((remote, sender) => remote.followed(sender.send(texts)[0], pages, move));
	}

	/** Asks the thread for remarks, after the frames have been painted. */
	async #ask<R>(of: (remote: Remote<Reading>, texts: TextSender) => Promise<R>): Promise<R> {
		await framesFirst();
		return this.#remarking.ask(of);
	}

	/**
	 * Searches texts; at most `most` lines are listed.
	 *
	 * @throws {Error} where the search cannot be parsed, takes too long, or is no longer wanted
	 */
	async search(texts: Texts, search: Search, most: number, signal: AbortSignal): Promise<SearchFound> {
		const tooLong = new Error('This search takes too long. Try a simpler pattern.');
		const timer = setTimeout(() => this.#searching.end(tooLong), PATIENCE);
		// A later search must not wait for this one, which may never end.
		const giveUp = (): void => this.#searching.end();
		signal.addEventListener('abort', giveUp);
		try {
			const found = await this.#searching.ask(async (remote, sender): Promise<Result<SearchFound>> =>
				remote.search(sender.send(texts)[0], search, most)
			);
			if (!found.ok) throw new Error(found.sentence);
			return found.value;
		} finally {
			clearTimeout(timer);
			signal.removeEventListener('abort', giveUp);
		}
	}
}

export const reader = new Reader();
