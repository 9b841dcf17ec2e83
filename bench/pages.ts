import { readdir, readFile } from 'node:fs/promises';
import { join, relative } from 'node:path';

/** A page of about `elements` elements with a sheet of its own, of the usual mixture. */
export function largePage(elements: number): Record<string, string> {
	const card = (i: number): string =>
		`<li class="card c${i % 7}"><h3>Sailing ${i}</h3><p>From <b>Tern Quay</b> to <i>Serk</i>, berth ${i % 4}, <a href="#s${i}">at ${i % 24}:15</a>.</p></li>`;
	const cards = Array.from({ length: Math.round(elements / 6) }, (_, i) => card(i)).join('\n');
	const css = `body { margin: 0; font: 16px/1.5 sans-serif }
.cards { display: grid; grid-template-columns: repeat(auto-fill, minmax(220px, 1fr)); gap: 12px; padding: 20px; list-style: none }
.card { display: flex; flex-direction: column; padding: 12px; border: 1px solid #ccc }
${Array.from({ length: 7 }, (_, i) => `.c${i} h3 { color: hsl(${i * 50} 50% 30%) } @media (min-width: ${500 + 100 * i}px) { .c${i} { padding: ${12 + i}px } }`).join('\n')}
`;
	return {
		'index.html': `<!doctype html><html lang="en"><head><title>Large</title><link rel="stylesheet" href="look.css"></head><body><h1>Large</h1><ul class="cards">${cards}</ul></body></html>`,
		'look.css': css
	};
}

/** The demo's files. */
export async function demoFiles(): Promise<Record<string, Uint8Array>> {
	const root = join(import.meta.dirname, '..', 'demo', 'site');
	const entries = (await readdir(root, { recursive: true, withFileTypes: true })).filter((entry) =>
		entry.isFile()
	);
	const files = entries.map(async ({ parentPath, name }) => {
		const file = join(parentPath, name);
		return [relative(root, file), await readFile(file)] as const;
	});
	return Object.fromEntries(await Promise.all(files));
}
