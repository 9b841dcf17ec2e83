import { storedJson, store } from '$lib/session/store.ts';
import {
	heightsOf,
	PLAIN,
	seenVantage,
	unzoomed,
	type SeenVantage,
	type Vantage
} from '$lib/core/vantage/index.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { textScale } from '$lib/ui/textScale.ts';
import type { Part, Placement, Viewport } from '$lib/stage/protocol.ts';
import { extent, layAlone, layColumns, layFrames, type Laid, type Room, type Small } from './layout.ts';

/** A frame with its vantage. */
export interface SeenFrame extends Laid {
	readonly vantage: SeenVantage;
}

const viewportOf = (vantage: SeenVantage): Viewport => ({
	width: vantage.width,
	height: heightsOf(vantage).dynamic,
	density: vantage.density
});

/** What a stage needs to know about a frame's placement. */
export const placementOf = ({ frame, left, top, scale, viewport, part, pans }: Laid): Placement => ({
	frame,
	left,
	top,
	scale,
	viewport,
	...(part ? { part } : {}),
	...(pans ? { pans } : {})
});

/** The fraction of the visible part by which a cut lead is panned at a time. */
const PAN = 0.8;

const SIZES = 'vantaggio-frame-sizes';

function readSizes(): Record<string, number> {
	const kept = storedJson(SIZES);
	return Object.fromEntries(
		Object.entries(kept ?? {}).filter(([, size]) => typeof size === 'number' && size >= 0.5 && size <= 3)
	);
}

/** A column with a frame above it. */
export interface FramedColumn {
	readonly letter: string;
	/** CSS px. */
	readonly width: number;
}

/** The width of the names of rows in a Collation at the whole width, and the minimum width of a column, rem. */
export const [NAMES, LEAST_COLUMN] = [9.5, 9.5];

/** In a lower room frames would overlap, px: it is scrolled instead. */
const LEAST_ROOM = 290;

/** The frames of the Bench: which ones there are, their vantages, and their places in the room. */
export class Framing {
	readonly #site: SiteState;
	/** The size of the room, px of the screen. */
	width = $state(700);
	height = $state(500);
	/** Whether one frame beside the lead is enough. */
	few = $state(false);
	/** How far down its viewport the visible part of a cut lead begins, CSS px. */
	#pan = $state(0);
	readonly #room: Room = $derived.by(() => ({
		width: this.width,
		// Above columns, frames are as low as possible.
		height: this.columns ? this.height : Math.max(LEAST_ROOM, this.height),
		text: textScale,
		few: this.few,
		cut: this.#site.viewing.cut,
		pan: this.#pan
	}));

	/** How much larger than the others chorus frames are drawn, by the names of their vantages. */
	#sizes = $state.raw<Readonly<Record<string, number>>>(readSizes());
	readonly #chorus: readonly SeenVantage[] = $derived.by(() =>
		this.#site.vantages.list
			.filter(({ chorus }) => chorus)
			.map(({ fields }) => seenVantage(fields, this.#site.viewing.switches))
	);
	readonly #small: readonly Small[] = $derived.by(() =>
		this.#others.map((vantage) => ({
			name: vantage.name,
			viewport: viewportOf(vantage),
			size: this.#site.viewing.beside !== null ? 3 : (this.#sizes[vantage.name] ?? 1)
		}))
	);
	/** The frames beside the lead: the chorus, or the lead itself one px narrower or between px. */
	readonly #others: readonly SeenVantage[] = $derived.by(() => {
		const { beside } = this.#site.viewing;
		if (beside === null) return this.#chorus;
		const width = beside === 'narrower' ? this.#site.carriage.width - 1 : beside;
		return [
			{
				...this.lead,
				name: beside === 'narrower' ? 'one px narrower' : 'between px',
				width
			}
		];
	});
	readonly #chosen: Vantage | undefined = $derived.by(() =>
		this.#site.vantages.named(this.#site.viewing.lead)
	);
	/** The lead's zoom: the most px of the screen for one of its px. */
	readonly #zoom: number = $derived.by(() => this.#site.viewing.switches.zoom ?? this.#chosen?.zoom ?? 1);
	/** The lead's window without switches: that of a vantage, or a plain one. */
	readonly window: Vantage = $derived.by(() => ({
		...(this.#chosen ?? PLAIN),
		height: this.#site.carriage.heightOf(this.#chosen?.height ?? null)
	}));
	readonly lead: SeenVantage = $derived.by(() => ({
		...seenVantage(this.window, this.#site.viewing.switches),
		name: 'lead',
		width: this.#site.carriage.width
	}));
	/** The columns of a Collation at the whole width; null where there is none. */
	columns = $state.raw<readonly FramedColumn[] | null>(null);
	readonly #overColumns: readonly SeenFrame[] = $derived.by(() => {
		const over = (this.columns ?? []).map(({ letter, width }) => {
			const frame = width === this.#site.carriage.width ? 'lead' : `column ${letter}`;
			const box = this.#site.selectionView.boxes.find((one) => one.frame === frame)?.boxes[0] ?? null;
			return { frame, viewport: { ...viewportOf(this.lead), width }, box };
		});
		const laid = layColumns(this.#room, NAMES * 16 * textScale, over).map((one, i) => ({
			...one,
			vantage: { ...this.lead, name: this.columns?.[i]?.letter ?? '', width: one.viewport.width }
		}));
		return laid;
	});
	readonly frames: readonly SeenFrame[] = $derived.by(() => {
		// Questions about the lead go to its frame.
		if (this.#overColumns.some(({ frame }) => frame === 'lead')) return this.#overColumns;
		if (this.#site.viewing.alone) {
			const alone = layAlone(this.#room, viewportOf(this.lead), this.#zoom);
			return [{ ...alone, vantage: this.lead }];
		}
		const [lead, ...chorus] = layFrames(this.#room, viewportOf(this.lead), this.#zoom, this.#small);
		return [
			...(lead ? [{ ...lead, vantage: this.lead }] : []),
			...chorus.map((laid, i) => ({ ...laid, vantage: this.#others[i] ?? this.lead }))
		];
	});

	/** The space that the frames take: more than the room where that has to be scrolled. */
	readonly extent: Room = $derived.by(() => extent(this.#room, this.frames));

	/** Draws a chorus frame larger or smaller, by steps of a quarter. */
	resize(name: string, by: number): void {
		const size = Math.min(3, Math.max(0.5, (this.#sizes[name] ?? 1) * 1.25 ** by));
		this.#sizes = { ...this.#sizes, [name]: Math.abs(size - 1) < 0.01 ? 1 : size };
		store.set(SIZES, JSON.stringify(this.#sizes));
	}

	/** Sets the height of the lead's window, in CSS px of its page. */
	setHeight(to: number): void {
		const bars = heightsOf(this.lead).dynamic - this.lead.height;
		this.#site.carriage.setHeight((to - bars) * this.#zoom, this.#chosen === undefined);
	}

	/** The visible part of the lead while it is cut. */
	get #cut(): Part | undefined {
		return this.frames.find(({ frame, pans }) => frame === 'lead' && pans)?.part;
	}

	/** Moves the visible part down a cut lead's viewport, CSS px; up where negative. */
	pan(by: number): void {
		const part = this.#cut;
		if (part) this.#pan = Math.max(0, part.top + by);
	}

	/** Moves the visible part of a cut lead down or up by its own height. */
	panOn(direction: 1 | -1): void {
		const part = this.#cut;
		if (part) this.pan(direction * PAN * part.height);
	}

	constructor(site: SiteState) {
		this.#site = site;
	}
}

/** A vantage before switches, with zoom included in its size: as on the Measure. */
export const marked = (site: SiteState): { name: string; width: number }[] =>
	site.vantages.list.map(({ fields }) => {
		const { name, width } = unzoomed(fields);
		return { name, width: Math.round(width) };
	});
