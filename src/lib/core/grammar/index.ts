export { keywordsOf, propertyNames } from './grammar.ts';
export { lint } from './lint.ts';
export { purposeOf } from './purposes.ts';
