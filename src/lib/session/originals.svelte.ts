import { untrack } from 'svelte';
import { store } from './store.ts';
import type { ElementBox } from '../core/box/index.ts';
import {
	alignByPoints,
	onPicture,
	type Alignment,
	type Original,
	type Point
} from '../core/original/index.ts';
import type { PagePoint, ShownOriginal } from '../stage/protocol.ts';
import { messageOf } from '../core/text/index.ts';

export type Mode = 'off' | ShownOriginal['mode'];

/** A task for which points are clicked in the lead, one after another, in the order of `wants`. */
interface Task {
	readonly kind: 'points' | 'element' | 'measure';
	/** The element's box on the page, with which the picture is to be aligned. */
	readonly box?: {
		readonly left: number;
		readonly top: number;
		readonly width: number;
		readonly height: number;
	};
	readonly taken: readonly Point[];
}

const STEPS = {
	points: [
		'Click the first point in the picture.',
		'Now where it belongs on the page.',
		'The second point in the picture.',
		'And where that belongs on the page.'
	],
	element: [
		'Click the left upper corner of it in the picture.',
		'Now its right lower corner in the picture.'
	],
	measure: ['Click a point.', 'Click another; each two tell their distance.']
} as const;

const MODE = 'vantaggio-original';

/** How Originals are shown over the frames, and what is being done with them. */
export class Originals {
	readonly #fetch: (hash: string) => Promise<Blob>;
	mode = $state<Mode>('off');
	/** From 0 to 1. */
	strength = $state(Number(store.get(MODE)) || 0.5);
	task = $state.raw<Task | null>(null);
	/** Two points in the lead between which the distance was measured. */
	points = $state.raw<readonly PagePoint[]>([]);
	/** Pictures as `data:` addresses, by hash. */
	sources = $state.raw<ReadonlyMap<string, string>>(new Map());
	readonly #asked = new Set<string>();
	/** Why a picture could not be loaded, as a sentence; '' where all have been, or are being, loaded. */
	trouble = $state('');

	/** `fetch` loads the bytes of a picture by its hash. */
	constructor(fetch: (hash: string) => Promise<Blob>) {
		this.#fetch = fetch;
	}

	/** What is to be clicked next; null where nothing is. */
	get wants(): string | null {
		const { task } = this;
		return task ? (STEPS[task.kind][Math.min(task.taken.length, STEPS[task.kind].length - 1)] ?? null) : null;
	}

	set(mode: Mode, strength = this.strength): void {
		this.mode = mode;
		this.strength = strength;
		store.set(MODE, String(strength));
	}

	/** Starts a task; the element's box is relative to the page. */
	begin(kind: Task['kind'], box?: ElementBox): void {
		this.task = { kind, taken: [], ...(box ? { box } : {}) };
		this.points = [];
	}

	end(): void {
		this.task = null;
		this.points = [];
	}

	/** Takes a point of the page; returns the Original's new alignment where the task is finished. */
	take(point: PagePoint, original: Original | undefined): Alignment | undefined {
		const { task } = this;
		if (!task) return undefined;
		if (task.kind === 'measure') {
			this.points = [...this.points.filter(({ frame }) => frame === point.frame), point];
			this.task = { ...task, taken: [...task.taken, point] };
			return undefined;
		}
		const inPicture = task.kind === 'element' || task.taken.length % 2 === 0;
		const taken = [
			...task.taken,
			inPicture && original ? onPicture(original, point) : { x: point.x, y: point.y }
		];
		this.task = { ...task, taken };
		const [a, b, c, d] = taken;
		if (task.kind === 'element' && task.box && a && b) {
			const { left: x, top: y, width, height } = task.box;
			this.end();
			return alignByPoints(
				[a, b],
				[
					{ x, y },
					{ x: x + width, y: y + height }
				]
			);
		}
		if (task.kind === 'points' && a && b && c && d) {
			this.end();
			return alignByPoints([a, c], [b, d]);
		}
		return undefined;
	}

	/**
	 * How the picture is shown for the time being: alone or not at all, where a point of it or of the page is to be
	 * clicked.
	 */
	get #seen(): { mode: Mode; strength: number } {
		const { task, mode, strength } = this;
		if (!task || task.kind === 'measure') return { mode, strength };
		const inPicture = task.kind === 'element' || task.taken.length % 2 === 0;
		return { mode: 'over', strength: inPicture ? 1 : 0 };
	}

	/** What a frame of a width shows of a page's Originals; undefined for nothing. */
	shown(list: readonly Original[], page: string, width: number): ShownOriginal | undefined {
		const original = list.find((one) => one.page === page && Math.abs(one.at - width) < 0.5);
		const src = original && this.sources.get(original.hash);
		const { mode, strength } = this.#seen;
		if (!original || src === undefined || mode === 'off') return undefined;
		const { x, y, scale } = original;
		return { src, x, y, width: original.width * scale, height: original.height * scale, mode, strength };
	}

	/** Loads the pictures of the site's Originals, and drops those that are no longer needed. */
	load(list: readonly Original[]): void {
		const wanted = new Set(list.map(({ hash }) => hash));
		for (const hash of this.#asked) if (!wanted.has(hash)) this.#asked.delete(hash);
		this.trouble = '';
		const had = untrack(() => this.sources);
		const left = [...had].filter(([hash]) => wanted.has(hash));
		if (left.length < had.size) this.sources = new Map(left);
		for (const { hash } of list) {
			if (this.#asked.has(hash)) continue;
			this.#asked.add(hash);
			void this.#fetch(hash)
				.then(dataAddress)
				.then(
					(src) => {
						if (this.#asked.has(hash)) this.sources = new Map([...this.sources, [hash, src]]);
					},
					(error: unknown) => {
						// Tried again when they are loaded the next time.
						if (this.#asked.delete(hash)) this.trouble = `A picture did not come: ${messageOf(error)}`;
					}
				);
		}
	}
}

const dataAddress = (blob: Blob): Promise<string> =>
	new Promise((resolve, reject) => {
		const reader = new FileReader();
		reader.onload = () => resolve(String(reader.result));
		reader.onerror = () => reject(reader.error ?? new Error('The picture cannot be read.'));
		reader.readAsDataURL(blob);
	});
