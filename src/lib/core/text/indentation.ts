import { mostFrequent } from './counted.ts';

/**
 * By what a text's lines are indented a step further than the line before: the step that most of them have, of spaces
 * or of tabs alone; null where no line is.
 */
export function indentationOf(lines: Iterable<string>): string | null {
	const steps: string[] = [];
	let outer = '';
	for (const line of lines) {
		const indent = /^[ \t]*(?=\S)/.exec(line)?.[0];
		if (indent === undefined) continue;
		const step = indent.startsWith(outer) ? indent.slice(outer.length) : '';
		if (/^(?: +|\t+)$/.test(step)) steps.push(step);
		outer = indent;
	}
	return mostFrequent(steps) ?? null;
}
