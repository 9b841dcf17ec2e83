export {
	backwards,
	fits,
	holding,
	NO_HISTORY,
	recorded,
	touches,
	type History,
	type MovedFile,
	type Replacement,
	type Step
} from './history.ts';
export { readHistory, writeHistory } from './kept.ts';
export { stepInWords, type TextAfter } from './words.ts';
