export { selectorsIn, wholeSelector } from './nested.ts';
