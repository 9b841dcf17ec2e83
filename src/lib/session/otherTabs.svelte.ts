import { openTabs } from './tab.ts';

/** What a tab tells the others: the files of a site that it has unsaved changes of. */
interface Told {
	readonly site: number;
	readonly tab: string;
	readonly paths: readonly string[];
	/** Whether the others are to tell theirs too. */
	readonly asks: boolean;
}

/** How often it is looked whether tabs with unsaved changes are still there, ms. */
const LOOK = 4000;

/** Which files have unsaved changes in other tabs. */
export class OtherTabs {
	readonly #channel = new BroadcastChannel('vantaggio-unsaved');
	readonly #site: number;
	readonly #tab: string;
	#told = '';
	#isClosed = false;
	#looking: ReturnType<typeof setInterval> | undefined;
	#unsaved = $state.raw<ReadonlyMap<string, readonly string[]>>(new Map());

	/** `own` gives the paths of what is unsaved in this tab. */
	constructor(site: number, tab: string, own: () => readonly string[]) {
		this.#site = site;
		this.#tab = tab;
		this.#channel.onmessage = ({ data }: MessageEvent<Told>) => {
			if (data.site !== site) return;
			this.#unsaved = new Map([...this.#unsaved, [data.tab, data.paths]]);
			if (data.paths.length > 0) this.#looking ??= setInterval(() => void this.#look(), LOOK);
			if (data.asks) this.#post(own(), false);
		};
		this.#post([], true);
	}

	/** Forgets tabs that are gone without a word: one that was ended, or has crashed. What they had is a draft. */
	async #look(): Promise<void> {
		const open = await openTabs();
		// Where locks are forbidden nothing is known of any tab.
		if (!open.has(this.#tab)) return;
		const left = [...this.#unsaved].filter(([tab, paths]) => open.has(tab) && paths.length > 0);
		if (left.length < this.#unsaved.size) this.#unsaved = new Map(left);
		if (left.length > 0) return;
		clearInterval(this.#looking);
		this.#looking = undefined;
	}

	#post(paths: readonly string[], asks: boolean): void {
		if (this.#isClosed) return;
		this.#told = paths.join('\n');
		this.#channel.postMessage({ site: this.#site, tab: this.#tab, paths, asks } satisfies Told);
	}

	/** Tells the others what is unsaved here, where that is not what they know. */
	tell(paths: readonly string[]): void {
		if (paths.join('\n') !== this.#told) this.#post(paths, false);
	}

	/** Whether another tab has unsaved changes of a file. */
	has(path: string): boolean {
		return [...this.#unsaved.values()].some((paths) => paths.includes(path));
	}

	/** This tab has nothing of the site any more: what is unsaved is a draft. */
	close(): void {
		this.#post([], false);
		this.#isClosed = true;
		clearInterval(this.#looking);
		this.#channel.close();
	}
}
