export { changesIn, type Laid, type Manner, type Seen, type Values } from './changes.ts';
export { changedElements, outermost, type Changed } from './summary.ts';
export { propertiesTouched, reachOf, touchedBy, type Touched, type TouchedDeclaration } from './touched.ts';
