export * from './lines.ts';
export * from './bytes.ts';
