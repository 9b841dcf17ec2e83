import type { Stage } from './stage.ts';

/** Characters of page texts sent at a time: a message blocks its sender while it is copied. */
const PORTION = 300_000;

/** Sends texts of pages to a stage, in portions between which other work gets its turn. */
export async function know({ host }: Stage, pages: ReadonlyMap<string, string>): Promise<void> {
	let portion = new Map<string, string>();
	let size = 0;
	for (const [path, text] of pages) {
		portion.set(path, text);
		size += text.length;
		if (size < PORTION) continue;
		await host.know(portion);
		portion = new Map();
		size = 0;
	}
	if (portion.size > 0) await host.know(portion);
}
