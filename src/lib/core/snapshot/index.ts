export { FLAG, type Snapshot } from './snapshot.ts';
export { elementOf, laidOut, type LaidOut } from './laidOut.ts';
