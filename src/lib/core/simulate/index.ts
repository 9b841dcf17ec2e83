export { simulatedSheet } from './sheet.ts';
export { simulatePage } from './page.ts';
