export * from './expression.ts';
export * from './form.ts';
export { lengthAt, type LengthAt } from './at.ts';
