export { supportRemarks, type SupportTable } from './support.ts';
export { limitOf, supportTargetSchema, type SupportTarget } from './target.ts';
