export type { TextKind } from './breaks.ts';
export { placeInFile, textInFile } from './inFile.ts';
export { isMinified, layOut, type Layout } from './layout.ts';
