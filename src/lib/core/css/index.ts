export * from './node.ts';
export { parseSheet } from './parse.ts';
export { addressesIn, type SheetAddress } from './addresses.ts';
export { importOf, type Import } from './import.ts';
export { addTo, numberAt, type NumberAt } from './number.ts';
export { habitsOf, type Habits } from './habits.ts';
export { allBut, piecesAt, type Piece } from './mute.ts';
export { isCompiled } from './compiled.ts';
export { caretAt, type Caret } from './caret.ts';
