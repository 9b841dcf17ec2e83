import { FLAG, type Snapshot } from './index.ts';

/** An element: parent, left, top, width, height, whether shown, further flags. */
export type Drawn = readonly [number, number, number, number, number, boolean, number?];

/** A snapshot of elements in a window of 400 by 800, with lines of text (element, left, top, width, height, words). */
export function snapshot(
	elements: readonly Drawn[],
	lines: readonly (readonly [number, number, number, number, number, number?])[] = []
): Snapshot {
	const columns = (size: number) => new Float32Array(size * elements.length);
	const flags = Uint32Array.from(elements, ([, , , , , shown, more = 0]) => (shown ? FLAG.shown : 0) | more);
	const clip = new Int32Array(elements.length).fill(-1);
	elements.forEach(([parent], i) => {
		if (parent >= 0) clip[i] = (flags[parent] ?? 0) & FLAG.clips ? parent : (clip[parent] ?? -1);
	});
	return {
		width: 400,
		height: 800,
		pageWidth: 400,
		pageHeight: 800,
		rightToLeft: false,
		count: elements.length,
		tags: elements.map(() => 'div'),
		parent: Int32Array.from(elements, ([parent]) => parent),
		boxes: Float64Array.from(elements.flatMap(([, ...box]) => box.slice(0, 4) as number[])),
		flags,
		clip,
		order: new Int32Array(elements.length),
		z: new Int32Array(elements.length),
		insides: Float32Array.from(elements.flatMap(([, , , width, height]) => [width, height, width, height])),
		fontSize: columns(1),
		lineHeight: columns(1),
		natural: columns(2),
		edges: columns(4),
		lineOf: Int32Array.from(lines, ([of]) => of),
		lines: Float64Array.from(lines.flatMap(([, ...box]) => box.slice(0, 4) as number[])),
		lineWords: Float32Array.from(lines, ([, , , , , words = 2]) => words)
	};
}
