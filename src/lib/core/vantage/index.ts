export * from './vantage.ts';
export * from './shipped.ts';
export * from './heights.ts';
export * from './exchange.ts';
export * from './switches.ts';
export * from './words.ts';
