declare module 'css-tree/tokenizer' {
	/** Calls `onToken` for each token of CSS Syntax 3 §4, in order; tokens leave no gap between them. */
	export function tokenize(source: string, onToken: (type: number, start: number, end: number) => void): void;
}
