export { bottom, boxParts, contentBox, figure, paddingBox, right } from './box.ts';
export type { Axis, ElementBox, Part, Rect, Side, Sides } from './box.ts';
export { gapsAround, gapsBetween, type Gap } from './gaps.ts';
export { twinValues, type TwinValue } from './twins.ts';
export { partsOfSpace, type SpaceFacts, type SpacePart } from './space.ts';
