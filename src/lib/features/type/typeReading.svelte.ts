import { messageOf } from '$lib/core/text/index.ts';
import type { ElementPath } from '$lib/core/html/index.ts';
import type { Curve } from '$lib/core/length/index.ts';
import { nextForLines } from '$lib/core/type/index.ts';
import type { SeenVantage } from '$lib/core/vantage/index.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import type { LaidTexts } from '$lib/inquiry/laidTexts.ts';
import { readSizes, type ReadSizes } from '$lib/inquiry/sizes.ts';
import type { Stages } from '$lib/session/stages.svelte.ts';
import { bySize, stylesOf } from '$lib/inquiry/textStyles.ts';

/** What is read. */
export interface SizesRequest {
	readonly page: PageState;
	readonly stages: Stages;
	readonly lead: SeenVantage;
}

/** Widths at which the engine is asked first, CSS px: these answers are drawn. */
export const ASKED = [240, 320, 390, 480, 600, 700, 812, 960, 1120, 1280, 1440, 1680, 1920, 2240, 2560];

/** With more widths than this, changes of lines are no longer looked for. */
const MOST_LAID = 160;

/** The number of lines of a text, by width. */
export const linesOfText = (
	laid: ReadonlyMap<number, LaidTexts>,
	path: ElementPath
): ReadonlyMap<number, number> =>
	new Map(
		[...laid].flatMap(([width, { broken }]) => {
			const own = broken.get(path.join('.'));
			return own ? [[width, own.lines] as const] : [];
		})
	);

/** How the engine lays texts out at some widths. */
const laidTexts = (
	{ page, stages, lead: as }: SizesRequest,
	widths: readonly number[],
	signal: AbortSignal
): AsyncGenerator<LaidTexts> =>
	stages.measurer.texts({ path: page.path, texts: page.texts, as }, widths, signal);

/** The sizes of a page's texts by its present sources, and the engine's layout of them. */
export class TypeReading {
	/** With the edit being tried; and without it. */
	now = $state.raw<ReadSizes | null>(null);
	before = $state.raw<ReadSizes | null>(null);
	/** The engine's layout, by width. */
	laid = $state.raw<ReadonlyMap<number, LaidTexts>>(new Map());
	/** Why the sizes, or the engine's lines, could not be read; otherwise ''. */
	#troubles = $state.raw({ sizes: '', lines: '' });
	looked = $state.raw<SizesRequest | null>(null);

	/** Texts by size, the largest first. */
	readonly styles = $derived.by(() => (this.now ? bySize(stylesOf(this.now)) : []));
	readonly stylesBefore = $derived.by(() => (this.before ? bySize(stylesOf(this.before)) : []));

	/** The most frequent style of each level of heading and of the paragraph, the largest of equally frequent ones. */
	levels(of: 'now' | 'before'): { name: string; curve: Curve; path: ElementPath }[] {
		const styles = of === 'now' ? this.styles : this.stylesBefore;
		return ['h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'p'].flatMap((tag) => {
			const all = styles.flatMap(({ curve, texts }) => {
				const own = texts.filter((one) => one.tag === tag);
				return own[0] ? [{ name: tag, curve, path: own[0].path, count: own.length }] : [];
			});
			// Styles are ordered from the largest.
			const most = Math.max(...all.map(({ count }) => count));
			return all.find(({ count }) => count === most) ?? [];
		});
	}

	/** The lines of the body text and of the title in a frame of some width, by the engine. */
	said(width: number): { whole: string; short: string } {
		const laid = this.laid.get(width);
		const of = (tag: string) => {
			const path = this.levels('now')
				.find(({ name }) => name === tag)
				?.path.join('.');
			return path === undefined ? undefined : { path, broken: laid?.broken.get(path) };
		};
		const [title, words] = [of('h1'), of('p')];
		const high = words && laid?.lineHeights.get(words.path);
		const parts = [
			words?.broken ? `${words.broken.characters} characters a line` : '',
			high && Number.isFinite(high) ? `${Number(high.toFixed(1))} px high` : '',
			title?.broken ? `h1 on ${title.broken.lines} ${title.broken.lines === 1 ? 'line' : 'lines'}` : ''
		];
		const whole = parts.filter((one) => one !== '').join(' · ');
		return { whole, short: words?.broken ? `${words.broken.characters}/line` : '' };
	}
	get trouble(): string {
		return this.#troubles.sizes || this.#troubles.lines;
	}

	/** Does a piece of work, and uses its result unless that is no longer wanted. */
	async #try(what: 'sizes' | 'lines', work: () => Promise<void>, signal: AbortSignal): Promise<void> {
		let trouble = '';
		try {
			await work();
		} catch (error) {
			trouble = messageOf(error);
		}
		if (!signal.aborted) this.#troubles = { ...this.#troubles, [what]: trouble };
	}

	/** Reads the sizes again, with what selectors match. */
	async read(
		looked: SizesRequest,
		selectors: readonly string[],
		isTried: boolean,
		signal: AbortSignal
	): Promise<void> {
		await this.#try(
			'sizes',
			async () => {
				const read = await readSizes(looked.page, looked.stages, looked.lead, selectors);
				if (signal.aborted) return;
				this.looked = looked;
				this.now = read;
				if (!isTried) this.before = read;
			},
			signal
		);
	}

	/** Has the engine lay the texts out: at some widths, then where levels take more or fewer lines. */
	async measure(looked: SizesRequest, signal: AbortSignal): Promise<void> {
		const laid = new Map<number, LaidTexts>();
		await this.#try(
			'lines',
			async () => {
				for (let next: readonly number[] = ASKED; next.length > 0 && !signal.aborted;) {
					const had = laid.size;
					for await (const one of laidTexts(looked, next, signal)) laid.set(one.width, one);
					if (laid.size === had) return;
					if (!signal.aborted) this.laid = new Map(laid);
					const known = this.levels('now').map(({ path }) => linesOfText(laid, path));
					next = laid.size > MOST_LAID ? [] : nextForLines(known);
				}
			},
			signal
		);
	}

	/** Has the engine break texts into lines at other widths, too. */
	async lookAt(widths: readonly number[], signal: AbortSignal): Promise<void> {
		const { looked } = this;
		const missing = widths.filter((width) => !this.laid.has(width));
		if (!looked || this.laid.size === 0 || missing.length === 0) return;
		const found: [number, LaidTexts][] = [];
		await this.#try(
			'lines',
			async () => {
				for await (const one of laidTexts(looked, missing, signal)) found.push([one.width, one]);
				if (!signal.aborted) this.laid = new Map([...this.laid, ...found]);
			},
			signal
		);
	}

	/** Finds to the px where a text takes more or fewer lines. */
	async refine(path: ElementPath, signal: AbortSignal): Promise<void> {
		for (;;) {
			const next = nextForLines([linesOfText(this.laid, path)]);
			const had = this.laid.size;
			if (next.length === 0 || signal.aborted || had > 2 * MOST_LAID) return;
			await this.lookAt(next, signal);
			if (this.laid.size === had) return;
		}
	}
}
