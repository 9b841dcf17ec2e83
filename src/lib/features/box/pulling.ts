import { boxParts, type Axis, type ElementBox } from '$lib/core/box/index.ts';
import type { Row } from '$lib/core/collation/index.ts';
import type { Collating, ShownColumn } from '$lib/features/collation/collating.svelte.ts';
import type { Hand } from '$lib/features/collation/hand.svelte.ts';

/** How long to wait for the row of a property, ms. */
const PATIENCE = 2000;

/** The row of a property, which is requested where nobody declares it. */
async function rowOf(collating: Collating, property: string): Promise<Row | undefined> {
	const find = (): Row | undefined => collating.rows.find(({ longhands }) => longhands.includes(property));
	const until = performance.now() + PATIENCE;
	while (!find() && performance.now() < until) {
		if (collating.settled && !collating.also.includes(property))
			collating.also = [...collating.also, property];
		await new Promise((resolve) => setTimeout(resolve, 30));
	}
	return find();
}

/**
 * Starts editing the value of a side, or of a size, in the column of the carriage; returns how a length is written
 * for it.
 */
export async function takeSide(
	collating: Collating,
	hand: Hand,
	property: string
): Promise<(length: string) => void> {
	const row = await rowOf(collating, property);
	const column: ShownColumn | undefined = collating.columns[collating.here];
	if (row && column) hand.begin(row, column);
	return hand.forSide(property);
}

/** The width or height to be written so that the border box is so much longer, by `box-sizing`, CSS px. */
export function writtenLength(box: ElementBox, axis: Axis, by: number, sizing: string): number {
	const around = boxParts(box, axis).parts.filter(({ of }) => of === 'padding' || of === 'border');
	const taken = around.reduce((sum, { length }) => sum + length, 0);
	return Math.max(0, box[axis] + by - (sizing === 'border-box' ? 0 : taken));
}
