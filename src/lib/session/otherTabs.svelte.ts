import { openTabs } from './tab.ts';

/** A tab's message to the others: the files of a site that it has unsaved changes in. */
interface Told {
	readonly site: number;
	readonly tab: string;
	readonly paths: readonly string[];
	/** Whether the others are to reply with theirs. */
	readonly asks: boolean;
}

/** How often tabs with unsaved changes are checked for being open, ms. */
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

	/** `own` returns the paths of this tab's unsaved files. */
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

	/** Forgets tabs that closed without a message, for example in a crash. What they had is a draft. */
	async #look(): Promise<void> {
		const open = await openTabs();
		// Where locks are forbidden, nothing is known about other tabs.
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

	/** Tells the others what is unsaved here, unless they know already. */
	tell(paths: readonly string[]): void {
		if (paths.join('\n') !== this.#told) this.#post(paths, false);
	}

	/** Whether another tab has unsaved changes of a file. */
	has(path: string): boolean {
		return [...this.#unsaved.values()].some((paths) => paths.includes(path));
	}

	/** Tells the others that this tab is closing the site: what is unsaved is a draft. */
	close(): void {
		this.#post([], false);
		this.#isClosed = true;
		clearInterval(this.#looking);
		this.#channel.close();
	}
}
