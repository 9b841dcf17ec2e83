export * from './node.ts';
export { parseSheet } from './parse.ts';
export { addressesIn, type SheetAddress } from './addresses.ts';
export { importOf, type Import } from './import.ts';
