/** A value as read: its numbers, and the text around them. */
export interface Value {
	/** The text with each number left out. */
	readonly words: string;
	readonly numbers: readonly number[];
}

/** A number that is not part of a name or a colour. */
const NUMBER = /(?<![\w#.-])-?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi;
const MARK = '\u0000';

/** Reads the numbers of a value, in order. */
export function valueOf(text: string): Value {
	const numbers: number[] = [];
	const words = text.replace(NUMBER, (number) => {
		numbers.push(Number(number));
		return MARK;
	});
	return { words, numbers };
}

/** Prints a value with at most so many decimals. */
export function printValue({ words, numbers }: Value, digits = 2): string {
	let i = 0;
	return words.replaceAll(MARK, () => String(Number((numbers[i++] ?? 0).toFixed(digits))));
}
