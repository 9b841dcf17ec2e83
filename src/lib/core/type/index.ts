export type { SizeContext, SizedElement } from './decided.ts';
export { sizing, type Size, type Sizing, type Source } from './size.ts';
export {
	BEYOND,
	deafNote,
	hierarchyNotes,
	nestedNote,
	notesOfSize,
	notesOfValue,
	ratioOf,
	type Level,
	type Ratio,
	type TypeNote
} from './notes.ts';
export { zoomFault, type ZoomFault } from './zoom.ts';
export { stretchesOf } from './stretches.ts';
export { brokenIn, lineChanges, lineWords, nextForLines, type Broken, type LineChange } from './lines.ts';
