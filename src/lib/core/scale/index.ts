export { RATIOS, ratioName, readRatio } from './ratios.ts';
export { declarationsOf, type Declared } from './output.ts';
export { EXACT, fewestPlaces, fluidText, sizeAt, written, type Fluid, type Writing } from './fluid.ts';
export {
	nameBy,
	NEW_SCALE,
	ratioThrough,
	scaleProblems,
	stepsOf,
	withOwn,
	type End,
	type Scale,
	type Step
} from './scale.ts';
export {
	curveOfFluid,
	recognise,
	sizedAt,
	through,
	type Recognised,
	type Sized,
	type Through
} from './recognise.ts';
export {
	readSizes,
	stepText,
	toProperties,
	toTable,
	toTokens,
	writingOf,
	type ReadSizes
} from './exchange.ts';
