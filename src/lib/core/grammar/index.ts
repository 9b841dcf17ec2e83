export { keywordsOf, PROPERTY_NAMES } from './grammar.ts';
export { lint } from './lint.ts';
export { purposeOf } from './purposes.ts';
