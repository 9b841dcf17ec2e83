import { readdir, readFile } from 'node:fs/promises';
import { join, relative, sep } from 'node:path';

/** The demo site's files, from `demo/site` beside the build. */
export async function demoEntries(): Promise<{ path: string; bytes: Uint8Array }[]> {
	const root = join(process.env.VANTAGGIO_HOME ?? process.cwd(), 'demo', 'site');
	const found = await readdir(root, { recursive: true, withFileTypes: true });
	return Promise.all(
		found
			.filter((entry) => entry.isFile())
			.map(async (entry) => {
				const file = join(entry.parentPath, entry.name);
				return { path: relative(root, file).split(sep).join('/'), bytes: await readFile(file) };
			})
	);
}
