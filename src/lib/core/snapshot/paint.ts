import { FLAG, type Snapshot } from './snapshot.ts';

/** The paint order of something in its stacking context: by its `z-index`, and by tree order where that is equal. */
type Layer = readonly [z: number, index: number];

/** Content in the flow is painted above negative `z-index`, and below all other layers. */
const IN_FLOW = -0.5;

/**
 * The layers that contain an element, outermost first: its stacking contexts and, where it is in the flow of
 * something positioned in the innermost of them, that. The innermost may be the element itself.
 */
function layersOf({ flags, parent, z }: Snapshot, element: number): Layer[] {
	const layers: Layer[] = [];
	for (let at = element; at >= 0; at = parent[at] ?? -1) {
		const own = flags[at] ?? 0;
		const stacks = (own & FLAG.stacks) !== 0;
		const positioned = (own & FLAG.positioned) !== 0;
		if (!stacks && (layers.length > 0 || !positioned)) continue;
		layers.unshift([stacks && (positioned || (own & FLAG.item) !== 0) ? (z[at] ?? 0) : 0, at]);
	}
	return layers;
}

/**
 * Whether one element is painted above another's text (CSS 2.2, appendix E): by stacking contexts, and what is
 * positioned in them. Within one layer text is above all backgrounds.
 */
export function isPaintedOver(snapshot: Snapshot, upper: number, lower: number): boolean {
	const [own, other] = [layersOf(snapshot, upper), layersOf(snapshot, lower)];
	for (let i = 0; i < Math.max(own.length, other.length); i++) {
		const [a, b] = [own[i], other[i]];
		if (a?.[1] === b?.[1]) continue;
		const [z, under] = [a?.[0] ?? IN_FLOW, b?.[0] ?? IN_FLOW];
		return z !== under ? z > under : (a?.[1] ?? 0) > (b?.[1] ?? 0);
	}
	return false;
}
