export { importSizes, withRecognised, type ImportedScale } from './importSizes.ts';
export { readRatio } from './ratios.ts';
export { declarationsOf, type Declared } from './output.ts';
export { fewestPlaces, fluidText, sizeAt, type Fluid, type Writing } from './fluid.ts';
export {
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
	endsOf,
	recognise,
	sizedAt,
	through,
	type Recognised,
	type Sized,
	type Through
} from './recognise.ts';
export { readSizes, stepText, toProperties, toTable, toTokens, type ReadSizes } from './exchange.ts';
