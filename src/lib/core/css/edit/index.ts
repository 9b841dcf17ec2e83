export {
	declarationIn,
	removeDeclaration,
	renameDeclaration,
	setDeclaration,
	removeWithEmptied,
	type DeclarationRequest
} from './declaration.ts';
export { handOf } from './hand.ts';
export { isFlowRelative } from './order.ts';
export { newRule, writeInto, type Into, type RequestedCondition, type Written } from './rule.ts';
export { commentOver, joinBlocks, partBlock, putRules, takeRules } from './arrange.ts';
export { moveRule } from './move.ts';
export { unwrapRules, wrapRules } from './wrap.ts';
export { spreadRule } from './spread.ts';
export { copyBlocks } from './split.ts';
export { givenBy, inlineCustomProperty, isCustomName, useCustomProperty } from './customProperty.ts';
