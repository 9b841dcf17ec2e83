export * from './rational.ts';
export * from './set.ts';
export * from './print.ts';
