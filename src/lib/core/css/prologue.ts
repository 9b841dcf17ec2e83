import type { AtRule, Node } from './node.ts';

/** Statements that may only precede others, by rank (CSS Cascade 5 §6.4.5, CSS Namespaces 3 §3). */
const FRONT: Readonly<Record<string, number>> = { charset: 0, import: 1, namespace: 2 };

/** Whether a node is `@layer a, b;`, which names layers and contains nothing. */
const isLayerStatement = (node: Node): boolean =>
	node.kind === 'at-rule' && node.name === 'layer' && node.block === null;

/** The rank of a node in a sheet: lower ranks come first; null where it may stand anywhere. */
const frontOf = (node: Node): number | null => {
	if (node.kind !== 'at-rule') return 3;
	if (isLayerStatement(node)) return null;
	return FRONT[node.name] ?? 3;
};

/** Whether a node names layers, whose order is that of their first mention (CSS Cascade 5 §6.4.3). */
const namesLayers = (node: Node, source: string): boolean =>
	node.kind === 'at-rule' &&
	(node.name === 'layer' ||
		(node.name === 'import' && /\blayer\b/i.test(source.slice(node.prelude.start, node.prelude.end))));

/** Why two neighbours in a sheet cannot be exchanged, as a sentence; null where they can. */
export function orderNeeded(source: string, first: Node, second: Node): string | null {
	const [a, b] = [frontOf(first), frontOf(second)];
	if (a !== null && b !== null && a < b) {
		const name = `@${(first as AtRule).name}`;
		return `\`${name}\` has to stand before what follows it, or it counts for nothing.`;
	}
	if (a === 0 || b === 0) return '`@charset` has to stand first.';
	const statement = isLayerStatement(first) || isLayerStatement(second);
	return statement && namesLayers(first, source) && namesLayers(second, source)
		? 'The order in which layers are named first is the order in which they win: it would be another.'
		: null;
}

/** Whether a node only counts at the top level of a sheet, before its rules. */
export const isPrologue = (node: Node): boolean => node.kind === 'at-rule' && node.name in FRONT;
