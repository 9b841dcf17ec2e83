import { INTENDED, intentsOf } from '$lib/core/grammar/intents.ts';
import { NAMED, purposeOf } from '$lib/core/grammar/purposes.ts';
import type { Find } from './finds.ts';

/**
 * The CSS properties, to be found by their names, by their effects, and by what people want; `insert` inserts one.
 */
export const propertyFinds = (insert: (property: string) => void): Find[] =>
	[...new Set([...INTENDED, ...NAMED])].map((property) => ({
		kind: 'property',
		name: property,
		also: purposeOf(property) ?? '',
		words: intentsOf(property),
		go: () => insert(property)
	}));
