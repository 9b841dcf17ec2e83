export { changesIn, type Laid, type Manner, type Seen, type Values } from './changes.ts';
export { findingsBetween, turnedOf, type Followed, type Turned } from './findings.ts';
export { allWidths, changedElements, outermost, type Changed } from './summary.ts';
export { editOnPage, sortedCuts, type EditOnPage, type WrittenDeclaration } from './onPage.ts';
export { propertiesTouched, reachOf, touchedBy } from './touched.ts';
