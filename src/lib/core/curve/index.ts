export { changesBetween, type Change } from './change.ts';
export { nextWidths, piecesOf, type KnownValues, type CurvePiece } from './piece.ts';
export { printValue, valueOf, type Value } from './value.ts';
