import { counted } from '../core/text/index.ts';
import { notify } from './notices.svelte.ts';
import { storedJson, tabStore } from './store.ts';
import { api, type BringReply } from './api.ts';

export interface Picked {
	readonly path: string;
	readonly file: File;
}

async function filesOf(entry: FileSystemEntry, folder: string): Promise<Picked[]> {
	const path = folder + entry.name;
	if (entry.isFile) {
		const file = await new Promise<File>((resolve, reject) =>
			(entry as FileSystemFileEntry).file(resolve, reject)
		);
		return [{ path, file }];
	}
	const reader = (entry as FileSystemDirectoryEntry).createReader();
	const found: Picked[] = [];
	for (;;) {
		// A reader returns at most a hundred entries at a time, and none at the end.
		const some = await new Promise<FileSystemEntry[]>((resolve, reject) =>
			reader.readEntries(resolve, reject)
		);
		if (some.length === 0) return found;
		for (const one of some) found.push(...(await filesOf(one, `${path}/`)));
	}
}

/** The files of a drop, including everything in folders. */
export async function filesOfDrop(transfer: DataTransfer): Promise<Picked[]> {
	const work = [...transfer.items].map((item): Picked[] | Promise<Picked[]> => {
		const entry = item.webkitGetAsEntry();
		const file = item.getAsFile();
		return entry ? filesOf(entry, '') : file ? [{ path: file.name, file }] : [];
	});
	return (await Promise.all(work)).flat();
}

/** The files of a file input, with their paths where a folder was chosen. */
export const filesOfInput = (input: HTMLInputElement): Picked[] =>
	[...(input.files ?? [])].map((file) => ({ path: file.webkitRelativePath || file.name, file }));

const REFUSED = 'vantaggio-refused';

/** Imports files as a new site; refusals are kept for the Site screen to show. */
export async function bringIn(files: readonly Picked[]): Promise<number> {
	const { id, refused } = await api.bring(files);
	tabStore.set(`${REFUSED}-${id}`, JSON.stringify(refused));
	if (refused.length > 0)
		notify(`${counted(refused.length, 'file')} not imported; the Site screen says why.`, true);
	return id;
}

/** What was refused when this tab imported a site. */
export const refusedOf = (site: number): BringReply['refused'] =>
	(storedJson(`${REFUSED}-${site}`, tabStore) ?? []) as BringReply['refused'];
