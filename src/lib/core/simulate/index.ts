export { simulatedSheet } from './sheet.ts';
export { simulatePage, vantageOnPage } from './page.ts';
export { rulesOf, textKey } from './rules.ts';
