export {
	declarationIn,
	removeDeclaration,
	renameDeclaration,
	setDeclaration,
	takeOut,
	type Wished
} from './declaration.ts';
export { handOf } from './hand.ts';
export { writeInto, type Into, type WishedCondition, type Written } from './rule.ts';
