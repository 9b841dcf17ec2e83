export { sourceOfText } from './chosen.ts';
export { ATTRIBUTE_NAME, setAttribute, takeClass } from './attribute.ts';
export { duplicate, exchange, moveAmong } from './place.ts';
export { insertSheet, type SheetPlace } from './sheetLinks.ts';
export { hasOnlyWords, setWords } from './text.ts';
export { insertHtml, INSERT_PLACES, isBeside, PLACE_WORDS, type InsertPlace } from './insert.ts';
export { markupChanges, whyRefused, type MarkupRequest } from './markupRequest.ts';
export { unwrap, wrapElements, wrapWords, type Wrapper } from './wrap.ts';
