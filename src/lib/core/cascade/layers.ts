import type { Layer, LayerMention } from './sheets.ts';

/** Ranks of layers: for each layer, the order in which its sublayers first appeared. */
export type LayerRanks = ReadonlyMap<string, ReadonlyMap<string, number>>;

const keyOf = (layer: Layer): string => JSON.stringify(layer);

/** Ranks from the mentions that count, in order of appearance (CSS Cascade 5 §6.4.3). */
export function ranksOf(mentions: Iterable<LayerMention>): LayerRanks {
	const ranks = new Map<string, Map<string, number>>();
	for (const { layer } of mentions) {
		layer.forEach((name, depth) => {
			const within = keyOf(layer.slice(0, depth));
			let inner = ranks.get(within);
			if (!inner) ranks.set(within, (inner = new Map()));
			if (!inner.has(name)) inner.set(name, inner.size);
		});
	}
	return ranks;
}

/**
 * Which of two layers is stronger for normal declarations: positive for `a`. Declarations directly in a layer are
 * stronger than those in its sublayers, and unlayered ones are the strongest.
 */
export function compareLayers(a: Layer, b: Layer, ranks: LayerRanks): number {
	for (let i = 0; i < Math.max(a.length, b.length); i++) {
		const [x, y] = [a[i], b[i]];
		if (x === undefined || y === undefined) return x === undefined ? 1 : -1;
		if (x === y) continue;
		const inner = ranks.get(keyOf(a.slice(0, i)));
		return (inner?.get(x) ?? -1) - (inner?.get(y) ?? -1);
	}
	return 0;
}

export const sameLayer = (a: Layer, b: Layer): boolean => keyOf(a) === keyOf(b);

/** A layer's name as people write it; an unnamed layer is called just that. */
export const printLayer = (layer: Layer): string =>
	layer.map((name) => (name.startsWith(' ') ? '(unnamed)' : name)).join('.');
