import type { Measurement } from '../core/wake/hold.ts';
import type {
	AddedFile,
	DraftRecord,
	KeptFields,
	KeptKind,
	KeptListRecord,
	PictureRecord,
	RevisionRecord,
	SavedFile,
	SiteRecord,
	SiteSummary,
	StaleFile,
	VantageList,
	VantageWish
} from '../api.ts';
import type { SupportTable } from '../core/support/index.ts';

/** A reply that was not a success, with the sentence the server gave. */
export class Refused extends Error {
	constructor(
		readonly status: number,
		sentence: string,
		readonly stale: readonly StaleFile[]
	) {
		super(sentence);
	}
}

const UNREACHED = 'The server cannot be reached. Nothing here is lost; it is tried again.';

async function ask(path: string, init: RequestInit = {}): Promise<Response> {
	let response: Response;
	try {
		response = await fetch(path, init);
	} catch {
		throw new Refused(0, UNREACHED, []);
	}
	if (response.ok) return response;
	const problem = (await response.json().catch(() => ({}))) as { detail?: string; stale?: StaleFile[] };
	throw new Refused(
		response.status,
		problem.detail ?? `The server answered ${response.status}.`,
		problem.stale ?? []
	);
}

const sending = (method: string, value: unknown): RequestInit => ({
	method,
	headers: { 'content-type': 'application/json' },
	body: JSON.stringify(value)
});

/** Browsers let a page leave no more than 64 KiB to be sent after it is gone, of all that it sends together. */
const OUTLIVES = 16_000;

/** The same for a choice that a click makes, which the page may be left straight after; drafts have their own way. */
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
	keepVantages: async (id: number, base: string, vantages: readonly VantageWish[]): Promise<VantageList> =>
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
	addPicture: async (id: number, path: string, file: File): Promise<AddedFile> =>
		(
			await ask(`/api/sites/${id}/files?${new URLSearchParams({ path }).toString()}`, {
				method: 'POST',
				body: file
			})
		).json(),
	keepOriginal: async (id: number, file: File): Promise<PictureRecord> =>
		(await ask(`/api/sites/${id}/originals`, { method: 'POST', body: file })).json(),
	original: async (id: number, hash: string): Promise<Blob> =>
		(await ask(`/api/sites/${id}/originals/${hash}`)).blob(),
	keepMeasurement: async (id: number, measurement: Measurement): Promise<{ hash: string }> =>
		(await ask(`/api/sites/${id}/measurements`, sending('POST', measurement))).json(),
	measurement: async (id: number, hash: string): Promise<Measurement> =>
		(await ask(`/api/sites/${id}/measurements/${hash}`)).json(),
	dropDraft: (id: number, path: string, tab: string) =>
		ask(`/api/sites/${id}/drafts?${new URLSearchParams({ path, tab }).toString()}`, { method: 'DELETE' })
};
