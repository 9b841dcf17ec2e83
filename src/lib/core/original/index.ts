export { initialAlignment, alignByPoints, onPage, onPicture, originalSchema } from './original.ts';
export type { Alignment, Original, Point } from './original.ts';
