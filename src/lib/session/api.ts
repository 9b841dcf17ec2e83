import type {
	AddedFile,
	FileChange,
	DraftRecord,
	KeptFields,
	KeptKind,
	KeptListRecord,
	PictureRecord,
	RevisionRecord,
	SavedFile,
	SiteRecord,
	SiteSummary,
	VantageList,
	VantageRequest
} from '../api.ts';
import type { SupportTable } from '../core/support/index.ts';
import { addressOf } from '../core/site/index.ts';
import { ask, sending } from '../http.ts';

/** Browsers send no more than 64 KiB after a page has been left, in all its requests together. */
const OUTLIVES = 16_000;

/**
 * The same for a choice made by a click, after which the page may be left at once; drafts are sent in their own way.
 */
function outliving(value: unknown): RequestInit {
	const init = sending('PUT', value);
	return { ...init, keepalive: String(init.body).length < OUTLIVES };
}

export interface BringReply {
	readonly id: number;
	readonly refused: readonly { readonly path: string; readonly reason: string }[];
}

export const api = {
	sites: async (): Promise<SiteSummary[]> => (await ask('/api/sites')).json(),
	site: async (id: number): Promise<SiteRecord> => (await ask(`/api/sites/${id}`)).json(),
	demo: async (): Promise<BringReply> => (await ask('/api/sites?demo', { method: 'POST' })).json(),
	bring: async (files: readonly { path: string; file: File }[]): Promise<BringReply> => {
		const form = new FormData();
		for (const { path, file } of files) {
			form.append('path', path);
			form.append('file', file, file.name);
		}
		return (await ask('/api/sites', { method: 'POST', body: form })).json();
	},
	remove: (id: number) => ask(`/api/sites/${id}`, { method: 'DELETE' }),
	save: async (
		id: number,
		tab: string,
		files: readonly { path: string; base: string; text: string }[]
	): Promise<{ revision: number; files: SavedFile[] }> =>
		(await ask(`/api/sites/${id}/save`, sending('POST', { tab, files }))).json(),
	keepDraft: (id: number, draft: Omit<DraftRecord, 'at'>) =>
		ask(`/api/sites/${id}/drafts`, sending('PUT', draft)),
	keepVantages: async (id: number, base: string, vantages: readonly VantageRequest[]): Promise<VantageList> =>
		(await ask(`/api/sites/${id}/vantages`, outliving({ base, vantages }))).json(),
	keepList: async <K extends KeptKind>(
		id: number,
		kind: K,
		base: string,
		list: readonly KeptFields[K][]
	): Promise<KeptListRecord<K>> =>
		(await ask(`/api/sites/${id}/kept/${kind}`, outliving({ base, list }))).json(),
	support: async (): Promise<SupportTable> => (await ask('/api/support')).json(),
	revisions: async (id: number): Promise<RevisionRecord[]> =>
		(await ask(`/api/sites/${id}/revisions`)).json(),
	revision: async (id: number, number: number): Promise<Record<string, string>> =>
		(await ask(`/api/sites/${id}/revisions/${number}`)).json(),
	addFile: async (id: number, path: string, file: Blob): Promise<AddedFile> =>
		(
			await ask(`/api/sites/${id}/files?${new URLSearchParams({ path }).toString()}`, {
				method: 'POST',
				headers: { 'content-type': file.type || 'application/octet-stream' },
				body: file
			})
		).json(),
	changeFile: async (id: number, change: FileChange): Promise<AddedFile> =>
		(await ask(`/api/sites/${id}/files`, sending('PATCH', change))).json(),
	/** The content of a saved file. */
	content: async (id: number, path: string): Promise<Blob> =>
		(await ask(addressOf(path, `/stage/${id}/`))).blob(),
	keepOriginal: async (id: number, file: File): Promise<PictureRecord> =>
		(await ask(`/api/sites/${id}/originals`, { method: 'POST', body: file })).json(),
	original: async (id: number, hash: string): Promise<Blob> =>
		(await ask(`/api/sites/${id}/originals/${hash}`)).blob(),
	dropDraft: (id: number, path: string, tab: string) =>
		ask(`/api/sites/${id}/drafts?${new URLSearchParams({ path, tab }).toString()}`, { method: 'DELETE' })
};
