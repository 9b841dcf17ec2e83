export * from './expression.ts';
export * from './form.ts';
