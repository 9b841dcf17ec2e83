import { describe, expect, it } from 'vitest';
import { applyChanges } from '../text/index.ts';
import { moveRule, parseSheet } from './index.ts';

/** Moves the rule at `|`, and marks the caret again. */
function moved(marked: string, by: -1 | 1): string | undefined {
	const offset = marked.indexOf('|');
	const source = marked.replace('|', '');
	const move = moveRule(parseSheet(source), offset, by);
	if (!move) return undefined;
	const text = applyChanges(source, move.changes);
	return `${text.slice(0, move.offset)}|${text.slice(move.offset)}`;
}

const SHEET = `a { top: 0 }

/* The second,
   said at length */
b { left: 0| }

@media (x) {
  c {}
  d {}
}
`;

describe('moveRule', () => {
	it('takes comments along, and leaves what stands between', () => {
		expect(moved(SHEET, -1)).toBe(`/* The second,
   said at length */
b { left: 0| }

a { top: 0 }

@media (x) {
  c {}
  d {}
}
`);
		expect(moved(moved(SHEET, -1) ?? '', 1)).toBe(SHEET);
	});

	it('moves within its block alone', () => {
		expect(moved('@media (x) { c {} d {|} }', -1)).toBe('@media (x) { d {|} c {} }');
		expect(moved('@media (x) { c {} d {|} }', 1)).toBeUndefined();
		expect(moved('a {}\n\n|\n', -1)).toBeUndefined();
	});
});
