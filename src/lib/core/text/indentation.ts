import { mostFrequent } from './counted.ts';

/**
 * One step of indentation of a text: the one that most of its lines use, of spaces or of tabs only; null where no
 * line is indented.
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
