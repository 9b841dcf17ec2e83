export * from './address.ts';
export { conditionsOfPage, sizesConditions, type OtherCondition, type PageConditions } from './conditions.ts';
export { forceOf, type Force } from './force.ts';
export { flattenSheet } from './flatten.ts';
export { referencesOfPage, referencesOfSheet, type FileKind, type Reference } from './references.ts';
export { sheetsOfPage, type SheetUse } from './sheets.ts';
export { remembered, sourcesOf, type Sources } from './sources.ts';
export * from './said.ts';
export { wordsOfPage, type Words } from './words.ts';
