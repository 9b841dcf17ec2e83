export { simulateAhead, simulatedText } from './sheet.ts';
export { simulatePage, vantageOnPage } from './page.ts';
export { rulesOf } from './rules.ts';
export { textKey } from './textKey.ts';
