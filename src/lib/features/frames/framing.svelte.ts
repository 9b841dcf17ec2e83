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

/** A frame with what is seen in it. */
export interface SeenFrame extends Laid {
	readonly vantage: SeenVantage;
}

const viewportOf = (vantage: SeenVantage): Viewport => ({
	width: vantage.width,
	height: heightsOf(vantage).dynamic,
	density: vantage.density
});

/** What a stage is told of a frame: nothing that does not place it. */
export const placementOf = ({ frame, left, top, scale, viewport, part, pans }: Laid): Placement => ({
	frame,
	left,
	top,
	scale,
	viewport,
	...(part ? { part } : {}),
	...(pans ? { pans } : {})
});

/** How much of what is seen a cut lead is panned by at once. */
const PAN = 0.8;

const SIZES = 'vantaggio-frame-sizes';

function readSizes(): Record<string, number> {
	const kept = storedJson(SIZES);
	return Object.fromEntries(
		Object.entries(kept ?? {}).filter(([, size]) => typeof size === 'number' && size >= 0.5 && size <= 3)
	);
}

/** A column that a frame stands over. */
export interface FramedColumn {
	readonly letter: string;
	/** CSS px. */
	readonly width: number;
}

/** How wide the names of rows are in a collation at the whole width, and how much a column needs, rem. */
export const [NAMES, LEAST_COLUMN] = [9.5, 9.5];

/** Lower than this frames would lie over one another, px: the room is scrolled then. */
const LEAST_ROOM = 290;

/** The frames of the Bench: which there are, as what vantages, and where they lie in their room. */
export class Framing {
	readonly #site: SiteState;
	/** The size of the room, px of the screen. */
	width = $state(700);
	height = $state(500);
	/** Whether one frame beside the lead is enough. */
	few = $state(false);
	/** How far down its viewport a cut lead begins, CSS px. */
	#pan = $state(0);
	readonly #room: Room = $derived.by(() => ({
		width: this.width,
		// Over columns frames are as low as they have to be.
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
	/** What stands beside the lead: the chorus, or the lead itself one px narrower or between px. */
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
	/** The lead's zoom: how much larger than a px of the screen a px of it may be drawn. */
	readonly #zoom: number = $derived.by(() => this.#site.viewing.switches.zoom ?? this.#chosen?.zoom ?? 1);
	/** The lead's window before anything is switched: that of a vantage, or a plain one. */
	readonly window: Vantage = $derived.by(() => ({
		...(this.#chosen ?? PLAIN),
		height: this.#site.carriage.heightOf(this.#chosen?.height ?? null)
	}));
	readonly lead: SeenVantage = $derived.by(() => ({
		...seenVantage(this.window, this.#site.viewing.switches),
		name: 'lead',
		width: this.#site.carriage.width
	}));
	/** The columns of a collation at the whole width; null where none is. */
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
		// What is asked of the lead is asked of its frame.
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

	/** What the frames take of the screen: more than the room where they have to be scrolled. */
	readonly extent: Room = $derived.by(() => extent(this.#room, this.frames));

	/** Draws a chorus frame larger or smaller, by steps of a quarter. */
	resize(name: string, by: number): void {
		const size = Math.min(3, Math.max(0.5, (this.#sizes[name] ?? 1) * 1.25 ** by));
		this.#sizes = { ...this.#sizes, [name]: Math.abs(size - 1) < 0.01 ? 1 : size };
		store.set(SIZES, JSON.stringify(this.#sizes));
	}

	/** Gives the lead's window a height, CSS px as its page has them. */
	setHeight(to: number): void {
		const bars = heightsOf(this.lead).dynamic - this.lead.height;
		this.#site.carriage.setHeight((to - bars) * this.#zoom, this.#chosen === undefined);
	}

	/** What is drawn of the lead while it is cut. */
	get #cut(): Part | undefined {
		return this.frames.find(({ frame, pans }) => frame === 'lead' && pans)?.part;
	}

	/** Shows what is further down a cut lead's viewport, CSS px of it; further up where that is negative. */
	pan(by: number): void {
		const part = this.#cut;
		if (part) this.#pan = Math.max(0, part.top + by);
	}

	/** Shows a part more of a cut lead, down or up. */
	panOn(direction: 1 | -1): void {
		const part = this.#cut;
		if (part) this.pan(direction * PAN * part.height);
	}

	constructor(site: SiteState) {
		this.#site = site;
	}
}

/** A vantage before switches, with zoom included in its size: as the Measure marks it. */
export const marked = (site: SiteState): { name: string; width: number }[] =>
	site.vantages.list.map(({ fields }) => {
		const { name, width } = unzoomed(fields);
		return { name, width: Math.round(width) };
	});
