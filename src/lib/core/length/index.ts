export * from './expression.ts';
export * from './form.ts';
export { piecesInWords, piecesOf } from './piece.ts';
export { lengthAt, type LengthAt } from './at.ts';
export { percentBasis, sharesIn, type PercentBasis, type Share } from './share.ts';
