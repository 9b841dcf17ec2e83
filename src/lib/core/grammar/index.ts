export { keywordsOf, propertyNames } from './grammar.ts';
export { lint, type Remark } from './lint.ts';
