export { firstPage } from './firstPage.ts';
export * from './address.ts';
export { followed, readdressed, type Followed, type FileMove } from './moved.ts';
export { conditionsOfPage, sizesConditions, type OtherCondition, type PageConditions } from './conditions.ts';
export { forceOf, type Force } from './force.ts';
export { flattenSheet } from './flatten.ts';
export { importsOf } from './imports.ts';
export {
	referencesOfPage,
	referencesOfSheet,
	type AskedKind,
	type FileKind,
	type Reference
} from './references.ts';
export { sheetsOfPage, textOfUse, type SheetText, type SheetUse } from './sheets.ts';
export { parsers, readAhead, sheetAt, sourcesOf, type Parsers, type Sources } from './sources.ts';
export { readPageAhead } from './ahead.ts';
export * from './conditionNotes.ts';
export { classesOursFirst, namesOfPage, NO_NAMES, type PageNames } from './pageNames.ts';
export { usedValues, type UsedValue } from './usedValues.ts';
export { queryPlaces, type QueryPlace } from './queryPlaces.ts';
