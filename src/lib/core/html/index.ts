export * from './page.ts';
export { PAGE_LIMITS } from './bounded.ts';
export { isSheetLink } from './sheetLink.ts';
export { pageNotes, type PageNote } from './notes.ts';
export { attributeAt } from './attributeAt.ts';
export { CLASS_NAME, classesOf, giveClass, likeIt, sectionNumber, sectionOf } from './classes.ts';
export { followPath } from './follow.ts';
export { headingIn, nameAt, nameOfElement, wordsIn } from './name.ts';
export { isWithin, selectorOfPath } from './path.ts';
