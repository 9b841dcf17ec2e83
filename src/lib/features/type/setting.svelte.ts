import { toNumber } from '$lib/core/interval/index.ts';
import { NEW_SCALE, scaleProblems, type Scale } from '$lib/core/scale/index.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { History } from './history.svelte.ts';
import { checkLength, keepLength, lengthText, type FluidLength } from './fluidLength.ts';
import { TypeReading } from './typeReading.svelte.ts';

/** What is being set: nothing yet, the scale of the site, or one length of an element. */
export type Work = 'sizes' | 'scale' | 'length';

/** The pause before a changed scale is stored with the site, ms. */
const QUIET = 500;

/** What is being set on Type: the scale of the site, or one length of an element, with earlier values of each. */
export abstract class Setting {
	protected readonly site: SiteState;
	readonly reading = new TypeReading();
	work = $state<Work>('sizes');
	scale = $state.raw<Scale>(NEW_SCALE);
	length = $state.raw<FluidLength | null>(null);
	/** Sizes that were tried for the length before these. */
	tried = $state.raw<readonly string[]>([]);
	readonly #history = new History<Scale | FluidLength>();
	#keeping: ReturnType<typeof setTimeout> | undefined;

	constructor(site: SiteState) {
		this.site = site;
		const [kept] = site.kept.scale.list;
		if (kept) this.scale = kept;
	}

	/** Tries what is set in all frames. */
	abstract try(): void;

	/** The number of px per rem; where that depends on the width, the usual one. */
	readonly root = $derived.by(() => {
		const curve = this.reading.before?.sizing.size(0).curve;
		const [only] = curve ?? [];
		const still = curve?.length === 1 && only?.line.slope.n === 0n;
		return { px: still && only ? toNumber(only.line.constant) : 16, still: still || !curve };
	});
	/** The text of the length being set, and its curve. */
	readonly lengthText = $derived.by(() =>
		this.length && checkLength(this.length).ok
			? lengthText(this.length, { ...this.scale.output, root: this.root.px })
			: ''
	);
	/** Changes the scale, or the length; `step` records the earlier value for undo. */
	put(change: Partial<Scale> | ((scale: Scale) => Scale), step = true): void {
		if (step) this.#history.remember(this.scale);
		this.scale = typeof change === 'function' ? change(this.scale) : { ...this.scale, ...change };
		this.try();
		this.#keepSoon();
	}

	putLength(change: Partial<FluidLength>, step = true): void {
		const { length } = this;
		if (!length) return;
		if (step) this.#history.remember(length);
		this.length = { ...length, ...change };
		this.#keepLength();
		if (step && this.lengthText && !this.tried.includes(this.lengthText))
			this.tried = [...this.tried, this.lengthText].slice(-8);
		this.try();
	}

	protected clearHistory(): void {
		this.#history.clear();
	}

	/** What is being set: the length, or the scale. */
	get #now(): Scale | FluidLength | null {
		return this.work === 'length' ? this.length : this.scale;
	}

	/** Records the present value for undo, before a drag changes it. */
	mark(): void {
		if (this.#now) this.#history.remember(this.#now);
	}

	get canUndo(): boolean {
		return this.#history.canUndo;
	}

	undo(): void {
		const last = this.#history.undo(this.#now);
		if (last) this.#restore(last);
	}

	redo(): void {
		const next = this.#now && this.#history.redo(this.#now);
		if (next) this.#restore(next);
	}

	#restore(to: Scale | FluidLength): void {
		if ('path' in to) this.length = to;
		else this.scale = to;
		this.#keepLength();
		this.try();
		if (!('path' in to)) this.#keepSoon();
	}

	protected forgetLength(): void {
		const page = this.reading.looked?.page.path;
		if (page !== undefined) keepLength(this.site.id, page, null);
	}

	#keepLength(): void {
		const page = this.reading.looked?.page.path;
		if (page !== undefined && this.work === 'length') keepLength(this.site.id, page, this.length);
	}

	#keepSoon(): void {
		clearTimeout(this.#keeping);
		this.#keeping = setTimeout(() => {
			const { scale } = this;
			if (scaleProblems(scale).length === 0) void this.site.kept.scale.keep(() => [scale], 'the scale');
		}, QUIET);
	}
}
