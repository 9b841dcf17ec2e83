export * from './expression.ts';
export {
	constantOf,
	line,
	valueAt,
	type Form,
	type LengthContext,
	type Line,
	type Quantity
} from './form.ts';
export { quantity } from './quantity.ts';
export {
	chosenOf,
	joined,
	jointsOf,
	lineOver,
	over,
	scaledBy,
	sumOf,
	valueOn,
	within,
	type Curve,
	type Joint,
	type Over,
	type LinearPiece
} from './curve.ts';
export { whereLess, widthsOver, widthsWhere } from './compare.ts';
export { curveOfText, curveOf, type CurveContext, type Curved } from './curveOf.ts';
export { curveInWords, printWidth } from './words.ts';
export { lengthAt, type LengthAt } from './at.ts';
export { percentBasis, sharesIn, type PercentBasis, type Share } from './share.ts';
