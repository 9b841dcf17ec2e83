import { createHash } from 'node:crypto';
import type { Transaction } from 'sequelize';
import * as z from 'zod';
import { acceptedSchema, kindSettingSchema } from '$lib/core/findings/settings.ts';
import { originalSchema } from '$lib/core/original/index.ts';
import { stagedStateSchema } from '$lib/core/staged/index.ts';
import { scaleSchema } from '$lib/core/scale/scale.ts';
import { holdSchema } from '$lib/core/wake/hold.ts';
import { supportTargetSchema } from '$lib/core/support/index.ts';
import { errandSchema, givenSchema, unsteadySchema } from '$lib/core/errand/index.ts';
import {
	KEPT_KINDS,
	type KeptFields,
	type KeptKind,
	type KeptListRecord,
	type SiteRecord
} from '$lib/api.ts';
import { change, database } from './database.ts';
import { Kept } from './models.ts';
import { Problem } from './problem.ts';

/** What each kind of kept list is made of. */
const SCHEMAS: { readonly [K in KeptKind]: z.core.$ZodType<KeptFields[K]> } = {
	staged: stagedStateSchema,
	original: originalSchema,
	target: supportTargetSchema,
	given: givenSchema,
	errand: errandSchema,
	unsteady: unsteadySchema,
	finding: kindSettingSchema,
	accepted: acceptedSchema,
	hold: holdSchema,
	scale: scaleSchema
};

const CALLED = {
	staged: 'staged states',
	original: 'originals',
	target: 'engines asked for',
	given: 'given files',
	errand: 'errands',
	unsteady: 'unsteady names',
	finding: 'kinds of findings',
	accepted: 'accepted findings',
	hold: 'holds',
	scale: 'type scale'
} as const;

export const keptKind = z.enum(KEPT_KINDS);

/** What is sent to keep a list of a kind. */
export const keptBody = <K extends KeptKind>(kind: K) =>
	z.object({ base: z.string().length(64), list: z.array(SCHEMAS[kind]).max(1000) });

/** What is kept of a kind with a site, in order, with a hash of it all. */
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

/** All that is kept with a site, by kind. */
export async function listAllKept(siteId: number): Promise<SiteRecord['kept']> {
	const lists = await Promise.all(KEPT_KINDS.map((kind) => listKept(siteId, kind)));
	// One list a kind, in the order of the kinds.
	return Object.fromEntries(KEPT_KINDS.map((kind, i) => [kind, lists[i]])) as unknown as SiteRecord['kept'];
}

/**
 * Keeps a list in place of the present one. Where it was made from another than that, nothing is changed (409).
 */
export const keepList = <K extends KeptKind>(
	siteId: number,
	kind: K,
	base: string,
	list: readonly KeptFields[K][]
): Promise<KeptListRecord<K>> =>
	change(async (transaction) => {
		const present = await listKept(siteId, kind, transaction);
		if (present.version !== base) {
			const sentence = `The ${CALLED[kind]} were changed elsewhere since; this change was not kept, theirs are shown now.`;
			throw new Problem(409, sentence);
		}
		await Kept.destroy({ where: { siteId, kind }, transaction });
		await Kept.bulkCreate(
			list.map((fields, position) => ({ siteId, kind, position, fields })),
			{ transaction }
		);
		return listKept(siteId, kind, transaction);
	});
