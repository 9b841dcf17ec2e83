import { AsyncZipDeflate, Zip, ZipPassThrough } from 'fflate';
import { Op, type Transaction } from 'sequelize';
import type { TextKind } from '$lib/core/minified/index.ts';
import { compareNames } from '$lib/core/text/index.ts';
import type { DraftRecord, FileRecord, SavedFile, SiteRecord, SiteSummary, StaleFile } from '$lib/api.ts';
import { blobsOf, dropUnnamed } from './blobs.ts';
import { change, database } from './database.ts';
import type { Brought } from './import/index.ts';
import { listAllKept } from './kept.ts';
import { Blob, Draft, File, Revision, Site } from './models.ts';
import { newRevision } from './newRevision.ts';
import { Problem } from './problem.ts';
import { textOf } from './texts.ts';
import { listVantages, shipVantages } from './vantages.ts';
import { hand } from './work/hand.ts';

/** Hex SHA-256 of some bytes, computed in another thread. */
const hashOf = async (bytes: Uint8Array<ArrayBuffer>): Promise<string> =>
	Buffer.from(await crypto.subtle.digest('SHA-256', bytes)).toString('hex');

/** Texts are compared in another thread. */
const write = hand({ megabytes: 1024, seconds: 30 });

export const isText = (kind: string): kind is TextKind => kind === 'page' || kind === 'sheet';

export async function keep(bytes: Uint8Array, transaction: Transaction): Promise<string> {
	const own = Buffer.from(bytes);
	const hash = await hashOf(own);
	await Blob.findOrCreate({ where: { hash }, defaults: { hash, bytes: own }, transaction });
	return hash;
}

async function bytesOf(hash: string, transaction?: Transaction): Promise<Uint8Array> {
	const blob = await Blob.findByPk(hash, transaction ? { transaction } : {});
	if (!blob) throw new Problem(500, 'The content of a file is missing from the database.');
	return blob.bytes;
}

export async function siteOf(id: number, transaction?: Transaction): Promise<Site> {
	await database();
	const site = await Site.findByPk(id, transaction ? { transaction } : {});
	if (!site) throw new Problem(404, `There is no site ${id} here; it may have been deleted.`);
	return site;
}

/** Every site, the last changed first. */
export async function listSites(): Promise<SiteSummary[]> {
	await database();
	const sites = await Site.findAll({
		order: [
			['updatedAt', 'DESC'],
			['id', 'DESC']
		]
	});
	return sites.map(({ id, name }) => ({ id, name }));
}

/** Stores an import as a new site with its first revision and the shipped vantages. */
export async function createSite(brought: Brought): Promise<number> {
	await database();
	return change(async (transaction) => {
		const { name, root } = brought;
		const site = await Site.create({ name, root }, { transaction });
		const hashes: [path: string, hash: string][] = [];
		for (const file of brought.files) {
			const hash = await keep(file.bytes, transaction);
			hashes.push([file.path, hash]);
			const { path, kind, width, height } = file;
			await File.create(
				{ siteId: site.id, path, kind, hash, size: file.bytes.length, width, height },
				{ transaction }
			);
		}
		const manifest = Object.fromEntries(hashes);
		await Revision.create({ siteId: site.id, number: 1, message: 'Brought in', manifest }, { transaction });
		await shipVantages(site.id, transaction);
		return site.id;
	});
}

const NO_TEXT = { text: null, ownLines: null };

/** Determines whether pages and sheets are minified, once for each; those with drafts stay as they are. */
async function lookForMinified(
	files: readonly File[],
	bytes: ReadonlyMap<string, Uint8Array>,
	drafts: readonly DraftRecord[]
): Promise<void> {
	const drafted = new Set(drafts.map(({ path }) => path));
	const fresh = files.flatMap((file) => {
		const { kind, minified, path } = file;
		const content = bytes.get(file.hash);
		return isText(kind) && minified === null && !drafted.has(path) && content
			? [{ file, kind, bytes: content }]
			: [];
	});
	if (fresh.length === 0) return;
	const are = await write(
		'minified',
		fresh.map((one) => ({ kind: one.kind, bytes: one.bytes }))
	);
	await change(async (transaction) => {
		for (const [i, { file }] of fresh.entries())
			await file.update({ minified: are[i] === true }, { transaction });
	});
}

/** A site with its files' texts, vantages and drafts. */
export async function readSite(id: number): Promise<SiteRecord> {
	const site = await siteOf(id);
	const [files, { vantages, version }, kept, drafts, revision] = await Promise.all([
		File.findAll({ where: { siteId: id }, order: [['path', 'ASC']] }),
		listVantages(id),
		listAllKept(id),
		listDrafts(id),
		Revision.max<number, Revision>('number', { where: { siteId: id } })
	]);
	const blobs = await Blob.findAll({
		where: { hash: { [Op.in]: files.filter(({ kind }) => isText(kind)).map(({ hash }) => hash) } }
	});
	const bytes = new Map(blobs.map((blob) => [blob.hash, blob.bytes]));
	await lookForMinified(files, bytes, drafts);
	return {
		id,
		name: site.name,
		revision,
		files: files
			.toSorted((a, b) => compareNames(a.path, b.path))
			.map((file): FileRecord => {
				const { path, kind, hash, size, width, height } = file;
				const content = bytes.get(hash);
				const text = isText(kind) && content ? textOf(file, hash, content) : NO_TEXT;
				return { path, kind, hash, size, width, height, ...text };
			}),
		vantages,
		vantagesVersion: version,
		kept,
		drafts
	};
}

export async function deleteSite(id: number): Promise<void> {
	await siteOf(id);
	await change(async (transaction) => {
		const named = await blobsOf(id, transaction);
		await Site.destroy({ where: { id }, transaction });
		await dropUnnamed(named, transaction);
	});
}

/** The hash of a file's content, and its bytes on demand; a problem where the site has no file with that path. */
export async function readFile(
	id: number,
	path: string
): Promise<{ readonly hash: string; bytes(): Promise<Uint8Array> }> {
	await database();
	const file = await File.findOne({ where: { siteId: id, path }, attributes: ['hash'], raw: true });
	if (!file) throw new Problem(404, `This site has no file "${path}".`);
	return { hash: file.hash, bytes: () => bytesOf(file.hash) };
}

/** The site as a zip: every file under its original path, unchanged ones byte for byte. */
export async function exportSite(id: number): Promise<{ name: string; bytes: Uint8Array }> {
	const site = await siteOf(id);
	const files = await File.findAll({ where: { siteId: id }, order: [['path', 'ASC']] });
	const parts: Uint8Array[] = [];
	const written = new Promise<void>((resolve, reject) => {
		// Entry by entry, because members of an object cannot have every name (`__proto__`).
		const zip = new Zip((error, part, final) => {
			if (error) return reject(error);
			parts.push(part);
			if (final) resolve();
		});
		void (async () => {
			for (const { path, hash, kind } of files) {
				const name = site.root + path;
				const entry = isText(kind) ? new AsyncZipDeflate(name, { level: 6 }) : new ZipPassThrough(name);
				entry.mtime = site.updatedAt;
				zip.add(entry);
				entry.push(new Uint8Array(await bytesOf(hash)), true);
			}
			zip.end();
		})().catch(reject);
	});
	await written;
	const bytes = Buffer.concat(parts);
	return { name: site.name, bytes };
}

export interface Save {
	readonly tab: string;
	readonly message: string;
	readonly files: readonly { readonly path: string; readonly base: string; readonly text: string }[];
}

/**
 * Saves texts as one revision. Where a file has changed since a text was based on it, nothing is saved: the problem
 * (409) names each such file with its present hash and text; the drafts stay.
 */
export async function saveSite(id: number, save: Save): Promise<{ revision: number; files: SavedFile[] }> {
	await siteOf(id);
	return change(async (transaction) => {
		const site = await siteOf(id, transaction);
		const saved: SavedFile[] = [];
		const stale: StaleFile[] = [];
		for (const { path, base, text } of save.files) {
			const file = await File.findOne({ where: { siteId: id, path }, transaction });
			if (!file || !isText(file.kind))
				throw new Problem(404, `This site has no text file "${path}"; nothing was saved.`);
			const before = await bytesOf(file.hash, transaction);
			if (file.hash !== base) {
				stale.push({ path, hash: file.hash, ...textOf(file, file.hash, before) });
				continue;
			}
			const { kind, minified } = file;
			const { bytes, ...now } = await write('encode', {
				text,
				original: before,
				kind,
				minified: minified === true
			});
			file.minified = now.minified;
			file.hash = await keep(bytes, transaction);
			file.size = bytes.length;
			await file.save({ transaction });
			await Draft.destroy({ where: { siteId: id, path, tab: save.tab }, transaction });
			// A layout may lack breaks that it has when it is read again, or be none any more; pasted text may be minified.
			const read = minified || file.minified ? textOf(file, file.hash, bytes) : { text, ownLines: null };
			saved.push({ path, hash: file.hash, ...read, text: read.text === text ? null : read.text });
		}
		if (stale.length > 0) {
			const names = stale.map(({ path }) => path).join(', ');
			throw new Problem(
				409,
				`${names}: saved elsewhere since you opened it. Nothing was overwritten; your text is kept as a draft.`,
				{ stale }
			);
		}
		const number = await newRevision(site, save.message, transaction);
		return { revision: number, files: saved };
	});
}

async function listDrafts(id: number): Promise<DraftRecord[]> {
	const drafts = await Draft.findAll({ where: { siteId: id }, order: [['updatedAt', 'DESC']] });
	return drafts.map(({ path, tab, base, text, caret, updatedAt }) => ({
		path,
		tab,
		base,
		text,
		caret,
		at: updatedAt.toISOString()
	}));
}

/** Stores the unsaved text of a file in a tab, in place of its former draft. */
export async function keepDraft(id: number, draft: Omit<DraftRecord, 'at'>): Promise<void> {
	await siteOf(id);
	await change(async (transaction) => {
		const { path, tab } = draft;
		const file = await File.findOne({ where: { siteId: id, path }, transaction });
		if (!file) throw new Problem(404, `This site has no file "${path}"; the draft was not kept.`);
		const found = await Draft.findOne({ where: { siteId: id, path, tab }, transaction });
		if (found) await found.update(draft, { transaction });
		else await Draft.create({ siteId: id, ...draft }, { transaction });
	});
}

export async function dropDraft(id: number, path: string, tab: string): Promise<void> {
	await siteOf(id);
	await change((transaction) => Draft.destroy({ where: { siteId: id, path, tab }, transaction }));
}
