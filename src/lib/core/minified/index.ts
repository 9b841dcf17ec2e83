export type { TextKind } from './breaks.ts';
export { linesInFile, placeInFile, textInFile, type LineInFile } from './inFile.ts';
export { isMinified, layOut, type Layout } from './layout.ts';
