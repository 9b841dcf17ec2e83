export { FLAG, type Snapshot } from './snapshot.ts';
export { blockOf } from './block.ts';
export { childrenOf, elementOf, laidOut, shownAmong, visualRows, type LaidOut } from './laidOut.ts';
export { isPaintedOver } from './paint.ts';
export { rebroken, type Rebroken } from './rebroken.ts';
