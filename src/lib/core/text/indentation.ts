/**
 * By what a text's lines are indented a step further than the line before: the step that most of them have, of spaces
 * or of tabs alone; null where no line is.
 */
export function indentationOf(lines: Iterable<string>): string | null {
	const counts = new Map<string, number>();
	let outer = '';
	for (const line of lines) {
		const indent = /^[ \t]*(?=\S)/.exec(line)?.[0];
		if (indent === undefined) continue;
		const step = indent.startsWith(outer) ? indent.slice(outer.length) : '';
		if (/^(?: +|\t+)$/.test(step)) counts.set(step, (counts.get(step) ?? 0) + 1);
		outer = indent;
	}
	return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}
