import { counted } from '$lib/core/text/index.ts';
import { Problem } from '../problem.ts';
import { collector, isLitter, type Entry, type RefusedFile } from './entry.ts';
import { hand, OutOfBounds } from '../work/hand.ts';
import type { Tasks } from '../work/tasks.ts';
import type { Kind } from './kinds.ts';
import { LIMITS, megabytes, READING } from './limits.ts';
import { unzip } from './unzip.ts';

export { LIMITS, megabytes } from './limits.ts';
export type { RefusedFile } from './entry.ts';

export interface Brought {
	readonly name: string;
	/** The folder that contained all files, removed from their paths; '' or with a slash at its end. */
	readonly root: string;
	readonly files: readonly (Entry & Kind)[];
	/** Files that were not imported, and those that were but cannot be read, with the reason. */
	readonly refused: readonly RefusedFile[];
}

const reading = hand(READING);

const isZip = (bytes: Uint8Array): boolean =>
	bytes[0] === 0x50 && bytes[1] === 0x4b && (bytes[2] === 3 || bytes[2] === 5);

/**
 * Imports what a person dropped or chose: files with their paths, or one zip of them. Throws a problem where nothing
 * usable was found; refused files are named, and the others kept. Pages are read in a thread of its own.
 */
export async function bring(
	given: readonly Entry[],
	read: (task: 'sort', files: readonly Entry[]) => ReturnType<Tasks['sort']> = reading
): Promise<Brought> {
	const into = collector();
	const only = given.length === 1 ? given[0] : undefined;
	if (only && isZip(only.bytes)) {
		if (only.bytes.length > LIMITS.packed) {
			throw new Problem(413, `The zip is larger than ${megabytes(LIMITS.packed)}; nothing was imported.`);
		}
		await unzip(only.bytes, into);
	} else {
		for (const { path, bytes } of given) if (!isLitter(path)) into.take(path.replaceAll('\\', '/'), bytes);
	}
	const { entries, refused: left } = into.result();
	const root = commonFolder(entries.map(({ path }) => path));
	const named = entries.map(({ path, bytes }) => ({ path: path.slice(root.length), bytes }));
	const { kinds, unread } = await read('sort', named).catch((error: unknown) => {
		if (!(error instanceof OutOfBounds)) throw error;
		throw new Problem(413, `These pages cannot be read (${error.message}); nothing was imported.`);
	});
	const files = named.map((entry, i) => ({ ...entry, ...(kinds[i] as Kind) }));
	const refused = [...left, ...unread];
	if (!files.some(({ kind }) => kind === 'page')) {
		const why = refused[0] ? ` The first thing refused: ${refused[0].path}, ${refused[0].reason}.` : '';
		throw new Problem(
			400,
			`No HTML page was found among ${counted(files.length, 'file')}; nothing was imported.${why}`,
			{ refused }
		);
	}
	const name = root
		? root.slice(0, -1)
		: (only?.path ?? files[0]?.path ?? 'site').replace(/^.*\//, '').replace(/\.\w+$/, '');
	return { name: name.replace(/^.*\//, ''), root, files, refused };
}

/** The folders common to all paths, with a slash at the end. */
function commonFolder(paths: readonly string[]): string {
	const folders = (paths[0] ?? '').split('/').slice(0, -1);
	let shared = folders.length;
	for (const path of paths) {
		const parts = path.split('/').slice(0, -1);
		let same = 0;
		while (same < shared && parts[same] === folders[same]) same++;
		shared = same;
	}
	return folders
		.slice(0, shared)
		.map((folder) => `${folder}/`)
		.join('');
}
