import type { Change } from '../../text/index.ts';
import { isClosed, sliceOf, type Rule, type Sheet } from '../node.ts';
import { handOf } from './hand.ts';
import { indentAt } from './line.ts';

/** A longer rule is written on several lines, whatever the sheet's style, characters. */
const LONGEST = 100;

/** Puts each declaration of a rule on a line of its own where the rule is on one line and too long for that. */
export function spreadRule(sheet: Sheet, rule: Rule): Change[] {
	const { source } = sheet;
	const text = sliceOf(source, rule.span);
	if (text.length <= LONGEST || text.includes('\n') || !isClosed(source, rule)) return [];
	const outer = indentAt(source, rule.span.start);
	const inner = outer + handOf(sheet).indent;
	const lines = rule.children.map(({ span }) => {
		const [close = ''] = /^\s*;/.exec(source.slice(span.end)) ?? [];
		return `${inner}${sliceOf(source, span)}${close === '' ? '' : ';'}`;
	});
	const { start, end } = rule.block;
	return [{ start: start + 1, end: end - 1, text: `\n${lines.join('\n')}\n${outer}` }];
}
