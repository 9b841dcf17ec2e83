import { createHash } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { FIRST_CHORUS, nameTwice, SHIPPED } from '$lib/core/vantage/index.ts';
import type { VantageList, VantageRequest } from '$lib/api.ts';
import { change, database } from './database.ts';
import { Vantage } from './models.ts';
import { Problem } from './problem.ts';

const options = (transaction?: Transaction) => (transaction ? { transaction } : {});

/** A site's vantages in order, with a hash of them all. */
export async function listVantages(siteId: number, transaction?: Transaction): Promise<VantageList> {
	await database();
	const found = await Vantage.findAll({
		where: { siteId },
		order: [['position', 'ASC']],
		...options(transaction)
	});
	const vantages = found.map(({ id, chorus, fields }) => ({ id, chorus, fields }));
	return { vantages, version: createHash('sha256').update(JSON.stringify(vantages)).digest('hex') };
}

/** Gives a new site the shipped vantages. */
export async function shipVantages(siteId: number, transaction: Transaction): Promise<void> {
	await Vantage.bulkCreate(
		SHIPPED.map((fields, position) => ({
			siteId,
			position,
			chorus: FIRST_CHORUS.includes(fields.name),
			fields
		})),
		{ transaction }
	);
}

/**
 * Stores a site's vantages from a list: those with an id are changed, new ones added, missing ones removed. Where the
 * request is based on another list than the present one, nothing is changed (409).
 */
export async function keepVantages(
	siteId: number,
	base: string,
	requests: readonly VantageRequest[]
): Promise<VantageList> {
	const twice = nameTwice(requests.map(({ fields }) => fields.name));
	if (twice !== undefined) throw new Problem(400, `Two vantages are called “${twice}”; nothing was changed.`);
	return change(async (transaction) => {
		const present = await listVantages(siteId, transaction);
		if (present.version !== base) {
			throw new Problem(
				409,
				'The vantages were changed elsewhere since; this change was not kept, theirs are shown now.'
			);
		}
		const known = new Set(present.vantages.map(({ id }) => id));
		await Vantage.destroy({ where: { siteId }, transaction });
		await Vantage.bulkCreate(
			requests.map(({ id, chorus, fields }, position) => ({
				...(id !== undefined && known.has(id) ? { id } : {}),
				siteId,
				position,
				chorus,
				fields
			})),
			{ transaction }
		);
		return listVantages(siteId, transaction);
	});
}
