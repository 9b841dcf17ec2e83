import { releaseProxy, wrap, type Remote } from 'comlink';
import type { SelectorQuery } from '../core/cascade/index.ts';
import type { Change } from '../core/curve/index.ts';
import type { KindSetting } from '../core/findings/settings.ts';
import { nameAt, readPath, type ElementPath } from '../core/html/index.ts';
import type { IntervalSet } from '../core/interval/index.ts';
import { laidOut } from '../core/snapshot/index.ts';
import type { Readings, WidthRange } from '../core/sweep/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { Hold } from '../core/wake/hold.ts';
import { editOnPage, type Changed, type EditOnPage } from '../core/wake/index.ts';
import { holdReport, type HoldReport } from '../core/wake/report.ts';
import { unlikeBoth, type Unlike } from '../inquiry/between.ts';
import { brokenAt, type BrokenAt } from '../inquiry/broken.ts';
import { follow, followedOn } from '../inquiry/follow.ts';
import type { HeldPage } from '../inquiry/hold.ts';
import { laidTexts } from '../inquiry/laidTexts.ts';
import type { MeasuringLayout } from '../inquiry/layout.ts';
import { changesOver } from '../inquiry/wake.ts';
import type { LayoutJob, StageHost, Viewport } from '../stage/protocol.ts';
import { comparisonOf, placesAfter, type Comparison } from './comparison.ts';
import { Holds } from './holds.ts';
import { keptReadings } from './keptReadings.ts';
import { Pages, type PageOfTexts } from './pages.ts';
import { measuringQueue, type MeasuringStage } from './queue.ts';
import type {
	CompareOptions,
	EditRequest,
	FollowOptions,
	LayoutOptions,
	MeasuringSetup,
	MeasuringWindow,
	PageRequest,
	SweepOptions,
	UncheckedElement
} from './requests.ts';
import { Sweeps } from './sweeps.ts';

const viewportOf = ({ width, height, density }: SeenVantage): Viewport => ({ width, height, density });

/** A page to be measured, and where. */
interface MeasuredPage extends PageOfTexts, HeldPage {
	readonly viewport: Viewport;
}

/** Its stages, and what they measure for. */
interface Begun extends MeasuringSetup {
	readonly window: Remote<MeasuringWindow>;
	readonly queue: ReturnType<typeof measuringQueue>;
	readonly layout: MeasuringLayout;
	readonly holds: Holds;
}

/**
 * Measures pages on invisible stages, and returns results: snapshots stay here. The caller gives each question a
 * number, by which it can be stopped.
 */
export class Measuring {
	readonly #pages = new Pages();
	readonly #sweeps = new Sweeps(this.#pages.solver);
	readonly #running = new Map<number, AbortController>();
	readonly #comparisons = new Map<number, AsyncGenerator<Comparison>>();
	/** The readings of what is followed; everything about a box is read at once. */
	#followed = { of: '', read: new Map<number, Readings>() };
	#begun: Begun | undefined;
	/** The questions for each layout, and which stages have them. */
	#queries:
		{ readonly selectors: readonly SelectorQuery[]; readonly containers: readonly string[] } | undefined;
	readonly #informed = new WeakMap<MeasuringStage, object>();

	/** Takes the port to the window, as a `MeasuringWindow`; to be called before anything is measured. */
	begin(setup: MeasuringSetup, port: MessagePort): void {
		const window = wrap<MeasuringWindow>(port);
		const queue = measuringQueue(async (n) => {
			const port = await window.open(n);
			const host: Remote<StageHost> = wrap<StageHost>(port);
			return {
				host,
				close() {
					host[releaseProxy]();
					port.close();
					void window.close(n);
				}
			};
		}, setup.stages);
		const layout = {
			measure: (job: LayoutJob) => queue.measure({ ...job, ready: this.#inform }),
			read: (job: LayoutJob) => queue.read(job)
		};
		this.#begun = {
			...setup,
			window,
			queue,
			layout,
			holds: new Holds(`/api/sites/${setup.site}/measurements`)
		};
	}

	/** Stops the question with a number. */
	stop(id: number): void {
		this.#running.get(id)?.abort();
		this.#running.delete(id);
		this.#comparisons.delete(id);
	}

	/** Sets the selectors and `@container` conditions to be evaluated in each layout from now on. */
	ask(selectors: readonly SelectorQuery[], containers: readonly string[]): void {
		this.#queries = { selectors, containers };
	}

	/** Lays a page out, and tells of each layout what is asked about an element. */
	askAt(id: number, request: PageRequest, how: LayoutOptions): Promise<void> {
		const [job, path] = [this.#job(request, how), how.about.elementQuery?.path ?? []];
		return this.#during(id, async (signal, report) => {
			for await (const { snapshot, ...one } of this.#now.layout.measure({ ...job, signal }))
				await report({ ...one, laid: laidOut(snapshot, path) } satisfies UncheckedElement);
		});
	}

	/** Lays a page out, and returns the findings in each layout. */
	read(id: number, request: PageRequest, how: LayoutOptions): Promise<void> {
		const job = this.#job(request, how);
		return this.#during(id, async (signal, report) => {
			for await (const one of this.#now.layout.read({ ...job, signal })) await report(one);
		});
	}

	/** Sweeps a page; done when each width is measured, or each end is exact where the rest has to wait. */
	sweep(id: number, request: PageRequest, how: SweepOptions): Promise<void> {
		const page = this.#page(request);
		const { version } = this.#now;
		return this.#during(id, (signal, report) =>
			this.#sweeps.sweep({ ...how, ...page, version }, signal, report)
		);
	}

	/** Reports the results of the sweep again, with other settings. */
	setKinds(settings: readonly KindSetting[]): Promise<void> {
		return this.#sweeps.set(settings);
	}

	/** Follows a value of an element over widths. */
	follow(id: number, request: PageRequest, of: FollowOptions): Promise<void> {
		const { property, stretch } = of;
		const { content: whole, viewport, layout, cuts } = this.#page(request);
		const content = { ...whole, followed: followedOn(of.path, property) };
		return this.#during(id, async (signal, report) => {
			const key = JSON.stringify([this.#now.version, content, viewport.height, viewport.density]);
			const kept = await keptReadings(key);
			if (this.#followed.of !== key) this.#followed = { of: key, read: await kept.known() };
			if (signal.aborted) return;
			const value = { layout, content, viewport, property, stretch, cuts };
			await follow(value, this.#followed.read, (read) => void kept.keep(read), signal, report);
		});
	}

	/** What takes more or fewer lines or rows at a change of a value of an element. */
	broken(id: number, request: PageRequest, path: ElementPath, change: Change): Promise<BrokenAt[]> {
		const { layout, content, viewport } = this.#page(request);
		return this.#during(id, (signal) => brokenAt(layout, content, viewport, path, change, signal));
	}

	/** What on a page differs at a width from both a narrower and a wider one. */
	unlike(
		id: number,
		request: PageRequest,
		widths: readonly [below: number, between: number, above: number]
	): Promise<Unlike | undefined> {
		const { model, layout, content, as } = this.#page(request);
		return this.#during(id, (signal) => unlikeBoth(model.page, content, layout, as, widths, signal));
	}

	/** How the texts of a page are laid out at some widths. */
	texts(id: number, request: PageRequest, widths: readonly number[]): Promise<void> {
		const { model, layout, content, viewport } = this.#page(request);
		return this.#during(id, async (signal, report) => {
			for await (const one of laidTexts(model.page, content, layout, viewport, widths, signal))
				await report(one);
		});
	}

	/** What an edit affects on a page. */
	edit({ path, pathBefore, before, after, files, as }: EditRequest): EditOnPage {
		const [was, is] = [this.#pages.page(pathBefore, before), this.#pages.page(path, after)];
		return editOnPage(was.model, is.model, files, this.#pages.solver(as));
	}

	/** Begins to compare a page before and after an edit; `next` continues, until it is stopped. */
	compare(id: number, { path, pathBefore, before, after, as }: EditRequest, how: CompareOptions): void {
		const was = this.#page({ path: pathBefore, texts: before, as });
		const is = this.#page({ path, texts: after, as });
		const gone = new AbortController();
		this.#running.set(id, gone);
		const { edit, values, stretch, depth, settings } = how;
		const compared = {
			edit,
			contents: [was.content, is.content] as const,
			as,
			layout: is.layout,
			stretch,
			values,
			settings,
			followed: placesAfter(was.model.page, is.model.page)
		};
		this.#comparisons.set(
			id,
			comparisonOf(was.model.page, is.model.page, edit, settings, changesOver(compared, depth, gone.signal))
		);
	}

	/** Continues a comparison; null where it has ended, or was stopped. */
	async next(id: number): Promise<Comparison | null> {
		const next = await this.#comparisons.get(id)?.next();
		return next && !next.done ? next.value : null;
	}

	/** Measures a page at some widths for a Hold; returns the SHA-256 of the stored measurement. */
	hold(id: number, request: PageRequest, widths: IntervalSet, stretch: WidthRange): Promise<string> {
		const page = this.#page(request);
		return this.#during(id, (signal) => this.#now.holds.measure(page, widths, stretch, signal));
	}

	/** What has changed since a Hold was made. */
	changed(id: number, request: PageRequest, hold: Hold): Promise<Changed[]> {
		const page = this.#page(request);
		return this.#during(id, (signal) => this.#now.holds.changed(page, hold, signal));
	}

	/** The report on a Hold, given its changes and when they were measured (ISO 8601). */
	async holdReport(
		{ path, texts }: PageRequest,
		hold: Hold,
		changed: readonly Changed[],
		at: string
	): Promise<HoldReport> {
		const { page } = this.#pages.page(path, texts).model;
		const measurement = await this.#now.holds.measurement(hold.measurement);
		const nameOf = (one: string): string => nameAt(page, readPath(one), 'something that is gone');
		return holdReport(hold, measurement, changed, nameOf, at);
	}

	get #now(): Begun {
		if (!this.#begun) throw new Error('Nothing can be measured before it is known where.');
		return this.#begun;
	}

	/** A page made of texts that were sent; to be created as soon as they arrive, since they come in order. */
	#page({ path, texts, as }: PageRequest): MeasuredPage {
		const { layout, prefix } = this.#now;
		const pages = this.#pages;
		const page = this.#pages.page(path, texts);
		const content = this.#pages.content(page.model, prefix, as);
		return {
			...page,
			path,
			as,
			layout,
			content,
			// Computed on demand: most pages, above all those tried for blame, never need it.
			get cuts() {
				return pages.cuts(page.model, as);
			},
			viewport: viewportOf(as)
		};
	}

	#job(request: PageRequest, { about, widths, priority }: LayoutOptions): LayoutJob {
		const { content, viewport } = this.#page(request);
		return { content: { ...content, ...about }, viewport, widths, priority };
	}

	/** Answers a question with a number, until it is done or stopped; reports to the caller. */
	async #during<R>(
		id: number,
		work: (signal: AbortSignal, report: (one: unknown) => Promise<void>) => Promise<R>
	): Promise<R> {
		const gone = new AbortController();
		this.#running.set(id, gone);
		try {
			return await work(gone.signal, (one) => this.#now.window.report(id, one));
		} finally {
			this.#running.delete(id);
		}
	}

	readonly #inform = (stage: MeasuringStage): void => {
		if (!this.#queries || this.#informed.get(stage) === this.#queries) return;
		this.#informed.set(stage, this.#queries);
		void stage.host.ask(this.#queries.selectors, this.#queries.containers);
	};
}
