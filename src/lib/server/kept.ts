import { createHash } from 'node:crypto';
import type { Transaction } from 'sequelize';
import * as z from 'zod';
import {
	KEPT,
	KEPT_KINDS,
	type KeptFields,
	type KeptKind,
	type KeptListRecord,
	type SiteRecord
} from '$lib/api.ts';
import { change, database } from './database.ts';
import { Kept } from './models.ts';
import { Problem } from './problem.ts';

export const keptKind = z.enum(KEPT_KINDS);

/** A request to store a list of a kind. */
export const keptBody = <K extends KeptKind>(kind: K) =>
	z.object({
		base: z.string().length(64),
		list: z.array(KEPT[kind].schema as unknown as z.core.$ZodType<KeptFields[K]>).max(KEPT[kind].most)
	});

/** A stored list of a site, in order, with its hash. */
export async function listKept<K extends KeptKind>(
	siteId: number,
	kind: K,
	transaction?: Transaction
): Promise<KeptListRecord<K>> {
	await database();
	const rows = await Kept.findAll({
		where: { siteId, kind },
		order: [['position', 'ASC']],
		...(transaction ? { transaction } : {})
	});
	const list = rows.map(({ fields }) => fields as KeptFields[K]);
	return { list, version: createHash('sha256').update(JSON.stringify(list)).digest('hex') };
}

/** All stored lists of a site, by kind. */
export async function listAllKept(siteId: number): Promise<SiteRecord['kept']> {
	const lists = await Promise.all(KEPT_KINDS.map((kind) => listKept(siteId, kind)));
	// One list per kind, in the order of the kinds.
	return Object.fromEntries(KEPT_KINDS.map((kind, i) => [kind, lists[i]])) as unknown as SiteRecord['kept'];
}

/** Replaces a list. Where the request is based on another list than the present one, nothing is changed (409). */
export const keepList = <K extends KeptKind>(
	siteId: number,
	kind: K,
	base: string,
	list: readonly KeptFields[K][]
): Promise<KeptListRecord<K>> =>
	change(async (transaction) => {
		const present = await listKept(siteId, kind, transaction);
		if (present.version !== base) {
			const sentence = `The ${KEPT[kind].title} were changed elsewhere since; this change was not kept, theirs are shown now.`;
			throw new Problem(409, sentence);
		}
		await Kept.destroy({ where: { siteId, kind }, transaction });
		await Kept.bulkCreate(
			list.map((fields, position) => ({ siteId, kind, position, fields })),
			{ transaction }
		);
		return listKept(siteId, kind, transaction);
	});
