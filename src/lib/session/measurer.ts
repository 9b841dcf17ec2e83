import { version } from '$app/environment';
import { expose, transfer, type Remote } from 'comlink';
import type { SelectorQuery } from '../core/cascade/index.ts';
import type { Change } from '../core/curve/index.ts';
import type { KindSetting } from '../core/findings/settings.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { IntervalSet } from '../core/interval/index.ts';
import type { WidthRange } from '../core/sweep/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { Changed, EditOnPage } from '../core/wake/index.ts';
import type { Hold } from '../core/wake/hold.ts';
import type { HoldReport } from '../core/wake/report.ts';
import type { Unlike } from '../inquiry/between.ts';
import type { BrokenAt } from '../inquiry/broken.ts';
import type { FollowReport } from '../inquiry/follow.ts';
import type { LaidTexts } from '../inquiry/laidTexts.ts';
import type { SweepReport } from '../inquiry/sweep.ts';
import type { StageFrame } from '../stage/client/stage.ts';
import type { PageJob } from '../inquiry/layout.ts';
import type { Read } from '../stage/protocol.ts';
import type { Comparison } from '../workers/comparison.ts';
import type { Measuring } from '../workers/measuring.ts';
import type {
	CompareOptions,
	FollowOptions,
	LayoutOptions,
	MeasuringWindow,
	SweepOptions,
	UncheckedElement
} from '../workers/requests.ts';
import type { Texts, TextSender } from '../workers/texts.ts';
import { sent, type PageTexts } from './pageTexts.ts';
import { pushed } from './pushed.ts';
import { Thread } from './thread.ts';

/** A page before an edit of some files, and after it. */
export interface EditedPage {
	readonly path: string;
	/** Its path before the edit. */
	readonly pathBefore: string;
	readonly before: Texts;
	readonly after: Texts;
	readonly files: readonly string[];
}

/** Where pages are measured. */
export interface MeasurerSetup {
	readonly site: number;
	/** The prefix of the site's files on the stages. */
	readonly prefix: string;
	/** The largest number of stages. */
	readonly stages: number;
	/** Opens the frame of a stage. */
	readonly open: (n: number) => Promise<StageFrame>;
}

/** Measures pages in a thread of its own, on stages whose frames are opened here on demand. */
export class Measurer {
	readonly #thread = new Thread<Measuring>(
		() => new Worker(new URL('../workers/measuring.worker.ts', import.meta.url), { type: 'module' })
	);
	readonly #setup: MeasurerSetup;
	/** The frames of its stages, by their numbers. */
	readonly #frames = new Map<number, StageFrame>();
	/** The key of the present thread, and the port by which it asks the window. */
	#begun: { readonly by: TextSender; readonly port: MessagePort } | undefined;
	#queries:
		{ readonly selectors: readonly SelectorQuery[]; readonly containers: readonly string[] } | undefined;
	/** The listeners for reports, by question. */
	readonly #hearers = new Map<number, (one: never) => void>();
	/** The last sweep: its results can be reported again with other settings, even when it is done. */
	#sweep = 0;
	#last = 0;
	#closed = false;

	constructor(setup: MeasurerSetup) {
		this.#setup = setup;
	}

	/** Starts its thread, so that it is ready when needed. */
	begin(): void {
		if (!this.#closed) this.#thread.begin();
	}

	/** Sets the selectors and `@container` conditions to be evaluated in each layout from now on. */
	ask(selectors: readonly SelectorQuery[], containers: readonly string[]): void {
		this.#queries = { selectors, containers };
		// A thread that starts later gets these when it starts. If this fails, so does the next measurement, which
		// reports it.
		if (this.#begun)
			this.#ask(undefined, (remote) => remote.ask(selectors, containers)).catch(() => undefined);
	}

	/** Lays a page out, and answers a question about an element for each layout. */
	askAt(job: PageJob): AsyncGenerator<UncheckedElement> {
		return pushed((report) =>
			this.#ask(job.signal, (remote, texts, id) =>
				this.#hear(id, report, remote.askAt(id, sent(textsOf(job), texts), optionsOf(job)))
			)
		);
	}

	/** Lays a page out, and returns the findings in each layout. */
	read(job: PageJob): AsyncGenerator<Read> {
		return pushed((report) =>
			this.#ask(job.signal, (remote, texts, id) =>
				this.#hear(id, report, remote.read(id, sent(textsOf(job), texts), optionsOf(job)))
			)
		);
	}

	/** How the texts of a page are laid out at some widths. */
	texts(page: PageTexts, widths: readonly number[], signal: AbortSignal): AsyncGenerator<LaidTexts> {
		return pushed((report) =>
			this.#ask(signal, (remote, texts, id) =>
				this.#hear(id, report, remote.texts(id, sent(page, texts), widths))
			)
		);
	}

	/** Sweeps a page; done when each width is measured, or each end is exact where the rest has to wait. */
	sweep(
		page: PageTexts,
		how: SweepOptions,
		signal: AbortSignal,
		report: (report: SweepReport) => void
	): Promise<void> {
		return this.#ask(signal, (remote, texts, id) => {
			this.#hearers.delete(this.#sweep);
			this.#hearers.set((this.#sweep = id), report);
			return remote.sweep(id, sent(page, texts), how);
		});
	}

	/** Reports the results of the sweep again, with other settings. */
	setKinds(settings: readonly KindSetting[]): Promise<void> {
		return this.#ask(undefined, (remote) => remote.setKinds(settings));
	}

	/** Follows a value of an element over widths. */
	follow(
		page: PageTexts,
		how: FollowOptions,
		signal: AbortSignal,
		report: (report: FollowReport) => void
	): Promise<void> {
		return this.#ask(signal, (remote, texts, id) =>
			this.#hear(id, report, remote.follow(id, sent(page, texts), how))
		);
	}

	/** What takes more or fewer lines or rows at a change of a value of an element. */
	broken(page: PageTexts, path: ElementPath, change: Change, signal: AbortSignal): Promise<BrokenAt[]> {
		return this.#ask(signal, (remote, texts, id) => remote.broken(id, sent(page, texts), path, change));
	}

	/** What on a page differs at a width from both a narrower and a wider one; undefined where that is unknown. */
	unlike(
		page: PageTexts,
		widths: readonly [below: number, between: number, above: number],
		signal: AbortSignal
	): Promise<Unlike | undefined> {
		return this.#ask(signal, (remote, texts, id) => remote.unlike(id, sent(page, texts), widths));
	}

	/** What an edit affects on a page. */
	edit({ before, after, ...page }: EditedPage, as: SeenVantage): Promise<EditOnPage> {
		return this.#ask(undefined, (remote, texts) => {
			const [was, is] = texts.send(before, after);
			return remote.edit({ ...page, before: was, after: is, as });
		});
	}

	/** Compares a page before and after an edit; each request returns the progress made since. */
	async *compare(
		{ before, after, ...page }: EditedPage,
		as: SeenVantage,
		how: CompareOptions,
		signal: AbortSignal
	): AsyncGenerator<Comparison> {
		const id = await this.#ask(signal, async (remote, texts, id) => {
			const [was, is] = texts.send(before, after);
			await remote.compare(id, { ...page, before: was, after: is, as }, how);
			return id;
		});
		while (!signal.aborted) {
			const next = await this.#ask(undefined, (remote) => remote.next(id));
			if (!next || signal.aborted) return;
			yield next;
		}
	}

	/** Measures a page at some widths for a Hold; returns the SHA-256 of the stored measurement. */
	hold(page: PageTexts, widths: IntervalSet, stretch: WidthRange): Promise<string> {
		return this.#ask(undefined, (remote, texts, id) => remote.hold(id, sent(page, texts), widths, stretch));
	}

	/** What has changed since a Hold was made. */
	changed(page: PageTexts, hold: Hold, signal?: AbortSignal): Promise<Changed[]> {
		return this.#ask(signal, (remote, texts, id) => remote.changed(id, sent(page, texts), hold));
	}

	/** The report on a Hold, given its changes. */
	holdReport(page: PageTexts, hold: Hold, changed: readonly Changed[]): Promise<HoldReport> {
		const at = new Date().toISOString();
		return this.#ask(undefined, (remote, texts) => remote.holdReport(sent(page, texts), hold, changed, at));
	}

	/** Ends its thread and its stages, after which nothing is measured. */
	close(): void {
		this.#closed = true;
		this.#thread.end();
		this.#begun?.port.close();
		this.#hearers.clear();
		for (const frame of this.#frames.values()) frame.close();
		this.#frames.clear();
	}

	/** Asks the thread something under a number of its own, and stops that on the signal. */
	#ask<R>(
		signal: AbortSignal | undefined,
		of: (remote: Remote<Measuring>, texts: TextSender, id: number) => Promise<R>
	): Promise<R> {
		if (this.#closed) return Promise.reject(new Error('What measured pages is closed.'));
		const id = ++this.#last;
		return this.#thread.ask((remote, texts) => {
			if (this.#begun?.by !== texts) this.#begin(remote, texts);
			const stop = (): void => void remote.stop(id);
			signal?.addEventListener('abort', stop, { once: true });
			const answer = of(remote, texts, id);
			if (signal?.aborted) stop();
			return answer;
		});
	}

	/** Passes reports on a question to a listener until it is answered. */
	async #hear<T, R>(id: number, report: (one: T) => void, answer: Promise<R>): Promise<R> {
		this.#hearers.set(id, report);
		try {
			return await answer;
		} finally {
			this.#hearers.delete(id);
		}
	}

	/** Tells a newly started thread where it measures; messages arrive in order. */
	#begin(remote: Remote<Measuring>, by: TextSender): void {
		this.#begun?.port.close();
		const { port1: port, port2 } = new MessageChannel();
		this.#begun = { by, port };
		const close = (n: number): void => {
			this.#frames.get(n)?.close();
			this.#frames.delete(n);
		};
		const window: MeasuringWindow = {
			close,
			open: async (n) => {
				close(n);
				const frame = await this.#setup.open(n);
				if (this.#closed) frame.close();
				else this.#frames.set(n, frame);
				return transfer(frame.port, [frame.port]);
			},
			report: (id, one) => this.#hearers.get(id)?.(one as never)
		};
		expose(window, port);
		const { site, prefix, stages } = this.#setup;
		void remote.begin({ site, prefix, stages, version }, transfer(port2, [port2]));
		if (this.#queries) void remote.ask(this.#queries.selectors, this.#queries.containers);
	}
}

const textsOf = ({ page: { path, texts }, as }: PageJob): PageTexts => ({ path, texts, as });
const optionsOf = ({ about, widths, priority = 0 }: PageJob): LayoutOptions => ({ about, widths, priority });
