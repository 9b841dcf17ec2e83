import { insertNewlineAndIndent } from '@codemirror/commands';
import { css } from '@codemirror/lang-css';
import { EditorState } from '@codemirror/state';
import { expect, test } from 'vitest';
import { indenting } from './indenting.ts';

/** The last lines of a text after Enter was pressed at its end. */
function entered(text: string, lines: number): string[] {
	let state = EditorState.create({
		doc: text,
		selection: { anchor: text.length },
		extensions: [css(), indenting]
	});
	insertNewlineAndIndent({ state, dispatch: (made) => (state = made.state) });
	return state.doc.toString().split('\n').slice(-lines);
}

const rule = 'a {\n    color: red;\n}\n';

test('a new line is indented as the others of its text, one step more after an open brace', () => {
	expect(entered(`${rule}b {`, 2)).toEqual(['b {', '    ']);
	expect(entered(`${rule}b {\n    color: red;`, 2)).toEqual(['    color: red;', '    ']);
});

test('so it is where the text is not parsed that far yet', () => {
	const long = rule.repeat(200_000);
	expect(entered(`${long}@media print {\n    b {`, 2)).toEqual(['    b {', '        ']);
	expect(entered(`${long}b {\n    color: red;`, 2)).toEqual(['    color: red;', '    ']);
	expect(entered(`${long}b`, 2)).toEqual(['b', '']);
});
