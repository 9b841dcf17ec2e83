export * from './lines.ts';
export * from './bytes.ts';
export * from './change.ts';
