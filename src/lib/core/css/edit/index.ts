export {
	declarationIn,
	removeDeclaration,
	renameDeclaration,
	setDeclaration,
	type Wished
} from './declaration.ts';
export { handOf } from './hand.ts';
export { writeInto, type Into, type WishedCondition, type Written } from './rule.ts';
