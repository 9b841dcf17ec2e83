export * from './page.ts';
export { inertSource, isSheetLink } from './inert.ts';
