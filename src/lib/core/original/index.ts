export { firstLie, lieByPoints, onPage, onPicture, originalSchema } from './original.ts';
export type { Lie, Original, Point } from './original.ts';
