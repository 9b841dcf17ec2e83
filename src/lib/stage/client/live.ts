import type { PageContent, Painted, Placement, SheetText } from '../protocol.ts';
import type { Stage } from './stage.ts';

/** What the live frames are to show: all of them the same page, each in its place. */
export interface Scene {
	readonly placements: readonly Placement[];
	readonly page: PageContent;
}

interface Shown {
	readonly html: string;
	readonly address: string;
	readonly sheets: readonly SheetText[];
}

const sameElement = (a: SheetText, b: SheetText): boolean => a.element.join() === b.element.join();

/** The sheets of `next` whose text is another than before; null where the sheets are not the same ones. */
function changedSheets(before: readonly SheetText[], next: readonly SheetText[]): SheetText[] | null {
	if (before.length !== next.length || !next.every((sheet, i) => sameElement(sheet, before[i] as SheetText)))
		return null;
	return next.filter((sheet, i) => sheet.text !== before[i]?.text);
}

/**
 * Keeps a stage's frames as a scene says, with the least that does it: a changed sheet replaces that sheet, a
 * changed page is written anew. While the stage is busy only the latest scene waits.
 */
export function liveFrames(stage: Stage) {
	const shown = new Map<string, Shown>();
	let arranged = '';
	let waiting: Scene | undefined;
	let running: Promise<Painted> | undefined;

	async function bring({ placements, page }: Scene): Promise<Painted> {
		const { host } = stage;
		const ids = placements.map(({ frame }) => frame);
		for (const id of shown.keys()) if (!ids.includes(id)) shown.delete(id);
		// Messages arrive in order, so that one wait for the last is enough.
		const work: Promise<Painted>[] = [];
		const arrangement = JSON.stringify(placements);
		if (arrangement !== arranged) work.push(host.arrange(placements));
		arranged = arrangement;
		const rewrite: string[] = [];
		const restyle = new Map<string, { ids: string[]; sheets: SheetText[] }>();
		for (const id of ids) {
			const before = shown.get(id);
			const same = before && before.html === page.html && before.address === page.address;
			const changed = same ? changedSheets(before.sheets, page.sheets) : null;
			shown.set(id, page);
			if (!changed) rewrite.push(id);
			else if (changed.length > 0) {
				const key = changed.map(({ element }) => element.join()).join(';');
				const group = restyle.get(key) ?? { ids: [], sheets: changed };
				group.ids.push(id);
				restyle.set(key, group);
			}
		}
		if (rewrite.length > 0) work.push(host.write(rewrite, page));
		for (const { ids: frames, sheets } of restyle.values()) work.push(host.restyle(frames, sheets));
		return Math.max(0, ...(await Promise.all(work)));
	}

	async function drain(): Promise<Painted> {
		let painted = 0;
		for (let scene = waiting; scene; scene = waiting) {
			waiting = undefined;
			painted = Math.max(painted, await bring(scene));
		}
		return painted;
	}

	return {
		/** Resolves when the frames show this scene, or a later one, on the screen. */
		show(scene: Scene): Promise<Painted> {
			waiting = scene;
			return (running ??= drain().finally(() => (running = undefined)));
		}
	};
}
