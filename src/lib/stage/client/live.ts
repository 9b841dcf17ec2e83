import type { PageContent, Painted, Placement } from '../protocol.ts';
import type { StyleText } from '../../core/page/index.ts';
import type { Stage } from './stage.ts';

/** What the live frames are to show: the place of each, and its page as its vantage reads it. */
export interface Scene {
	readonly placements: readonly Placement[];
	readonly contents: ReadonlyMap<string, PageContent>;
}

const sameElement = (a: StyleText, b: StyleText): boolean => a.element.join() === b.element.join();

/** Whether two values are equal; lists, which are made again each time, by their content. */
const sameValue = (a: unknown, b: unknown): boolean =>
	a === b || (typeof a === 'object' && JSON.stringify(a) === JSON.stringify(b));

/** Whether two pages are equal except for the texts of their sheets. */
const samePage = (a: PageContent, b: PageContent): boolean =>
	(Object.keys(a) as (keyof PageContent)[]).every((key) => key === 'sheets' || sameValue(a[key], b[key]));

/** The sheets of `next` whose text has changed; null where the sheets are not the same ones. */
function changedSheets(before: readonly StyleText[], next: readonly StyleText[]): StyleText[] | null {
	if (before.length !== next.length || !next.every((sheet, i) => sameElement(sheet, before[i] as StyleText)))
		return null;
	return next.filter((sheet, i) => sheet.text !== before[i]?.text);
}

/** Whether two lists contain the same sheets with the same texts. */
const sameSheets = (a: readonly StyleText[], b: readonly StyleText[]): boolean =>
	changedSheets(a, b)?.length === 0;

/** Frames that get the same, so that it is sent once. */
class Groups<X> {
	readonly all: { readonly frames: string[]; readonly of: X }[] = [];
	readonly #isSame: (a: X, b: X) => boolean;

	constructor(isSame: (a: X, b: X) => boolean) {
		this.#isSame = isSame;
	}

	add(of: X, frame: string): void {
		const group = this.all.find((one) => this.#isSame(one.of, of));
		if (group) group.frames.push(frame);
		else this.all.push({ frames: [frame], of });
	}
}

/**
 * Keeps a stage's frames in step with a scene, with the least effort: a changed sheet replaces that sheet, a changed
 * page is rewritten. While the stage is busy only the latest scene waits.
 */
export function liveFrames(stage: Stage) {
	const shown = new Map<string, PageContent>();
	let arranged = '';
	let waiting: Scene | undefined;
	let running: Promise<Painted> | undefined;

	async function bring({ placements, contents }: Scene): Promise<Painted> {
		const { host } = stage;
		const ids = placements.map(({ frame }) => frame);
		for (const id of shown.keys()) if (!ids.includes(id)) shown.delete(id);
		// Messages arrive in order, so that waiting for the last is enough.
		const work: Promise<Painted>[] = [];
		/** What failed does not count as shown. */
		const begin = (begun: Promise<Painted>, undo: () => void): void => {
			begun.catch(undo);
			work.push(begun);
		};
		const arrangement = JSON.stringify(placements);
		if (arrangement !== arranged) begin(host.arrange(placements), () => (arranged = ''));
		arranged = arrangement;
		const rewrite = new Groups<PageContent>((a, b) => samePage(a, b) && sameSheets(a.sheets, b.sheets));
		const restyle = new Groups(sameSheets);
		for (const id of ids) {
			const page = contents.get(id);
			if (!page) continue;
			const before = shown.get(id);
			const same = before && samePage(before, page);
			const changed = same ? changedSheets(before.sheets, page.sheets) : null;
			shown.set(id, page);
			if (!changed) rewrite.add(page, id);
			else if (changed.length > 0) restyle.add(changed, id);
		}
		const forget = (frames: readonly string[]) => (): void => {
			for (const id of frames) shown.delete(id);
		};
		for (const { frames, of } of rewrite.all) begin(host.write(frames, of), forget(frames));
		for (const { frames, of } of restyle.all) begin(host.restyle(frames, of), forget(frames));
		return Math.max(0, ...(await Promise.all(work)));
	}

	async function drain(): Promise<Painted> {
		let painted = 0;
		let failure: { readonly why: unknown } | null = null;
		for (let scene = waiting; scene; scene = waiting) {
			waiting = undefined;
			failure = null;
			try {
				painted = Math.max(painted, await bring(scene));
			} catch (why) {
				failure = { why };
			}
		}
		// Synchronously: a scene that comes when the last is done starts at once.
		running = undefined;
		if (failure) throw failure.why;
		return painted;
	}

	return {
		/**
		 * Resolves when the frames show this scene, or a later one, on the screen. What fails is written again with the
		 * next scene.
		 */
		show(scene: Scene): Promise<Painted> {
			waiting = scene;
			return (running ??= drain());
		}
	};
}
