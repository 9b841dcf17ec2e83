import { LRUCache } from 'lru-cache';
import type { KindSetting } from '../core/findings/settings.ts';
import { contains, rationalFromNumber, type Cut } from '../core/interval/index.ts';
import type { Readings, WidthRange } from '../core/sweep/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import { editOnPage } from '../core/wake/index.ts';
import type { PageContent } from '../stage/protocol.ts';
import type { MeasuringLayout } from '../inquiry/layout.ts';
import { Sweep, type SweepReport } from '../inquiry/sweep.ts';
import { keptReadings } from './keptReadings.ts';
import type { PageOfTexts, Pages } from './pages.ts';

/** A page to be swept, and how. */
export interface SweepRequest extends PageOfTexts {
	readonly as: SeenVantage;
	readonly content: PageContent;
	/** Where conditions change. */
	readonly cuts: readonly Cut[];
	readonly layout: MeasuringLayout;
	/** The version of the application: another may read differently. */
	readonly version: string;
	readonly stretch: WidthRange;
	readonly settings: readonly KindSetting[];
	/** Whether it ends when every end is exact. */
	readonly isPaused: boolean;
}

/** The last sweep, and its results. */
interface Swept extends PageOfTexts {
	readonly as: string;
	readonly known: ReadonlyMap<number, Readings>;
}

/** For so many pages the readings are cached, by the frames' contents. */
const MOST = 3;

/** Sweeps pages, one after the other; known widths of a page are not measured again. */
export class Sweeps {
	readonly #solver: Pages['solver'];
	readonly #known = new LRUCache<string, Map<number, Readings>>({ max: MOST });
	#last: Swept | undefined;
	#now: { readonly sweep: Sweep; readonly report: (report: SweepReport) => unknown } | undefined;

	constructor(solver: Pages['solver']) {
		this.#solver = solver;
	}

	async sweep(
		request: SweepRequest,
		signal: AbortSignal,
		report: (report: SweepReport) => unknown
	): Promise<void> {
		const { as, content, cuts, layout, stretch, settings } = request;
		const { width, height, density } = as;
		const of = JSON.stringify([request.version, content, height, density]);
		const known = this.#known.get(of) ?? new Map<number, Readings>();
		this.#known.set(of, known);
		const kept = await keptReadings(of);
		if (known.size === 0) for (const [at, readings] of await kept.known()) known.set(at, readings);
		if (signal.aborted) return;
		this.#takeOver(request, known);
		const swept = { layout, content, viewport: { width, height, density }, stretch, cuts };
		const sweep = new Sweep(swept, known, settings, (read) => void kept.keep(read));
		const now = { sweep, report };
		this.#now = now;
		try {
			await report(sweep.report());
			await sweep.run(request.isPaused, signal, report);
		} finally {
			// A finished sweep can still report findings with other limits.
			if (signal.aborted && this.#now === now) this.#now = undefined;
		}
	}

	/** Reports findings again, with other settings. */
	async set(settings: readonly KindSetting[]): Promise<void> {
		if (!this.#now) return;
		const { sweep, report } = this.#now;
		sweep.settings = settings;
		await report(sweep.report());
	}

	/** Reuses the readings of earlier texts at widths that no edit since can reach: nothing changed there. */
	#takeOver({ model, texts, as: seen }: SweepRequest, known: Map<number, Readings>): void {
		const as = JSON.stringify({ ...seen, name: '' });
		const last = this.#last;
		this.#last = { model, texts, as, known };
		if (last?.model.path !== model.path || last.as !== as || last.known === known) return;
		const files = [...texts].flatMap(([file, text]) => (last.texts.get(file) === text ? [] : [file]));
		const { reach } = editOnPage(last.model, model, files, this.#solver(seen));
		for (const [width, readings] of last.known)
			if (!known.has(width) && !contains(reach, rationalFromNumber(width))) known.set(width, readings);
	}
}
