import fc from 'fast-check';
import { expect, test } from 'vitest';
import { applyChanges, type Change } from '../core/text/index.ts';
import { followed } from './within.ts';
import { Working } from './working.ts';

const TEXT = 'a { color: red }\nb { color: blue }\n';

/** Changes of a text of some length, none over another, in order. */
const changesOf = (length: number): fc.Arbitrary<Change[]> =>
	fc
		.array(fc.tuple(fc.nat(length), fc.string({ maxLength: 4 })), { minLength: 1, maxLength: 4 })
		.map((found) => {
			const ends = found.map(([at]) => at).sort((a, b) => a - b);
			return found.flatMap(([, text], i): Change[] => {
				const [start, end] = [ends[i] ?? 0, ends[i + 1] ?? length];
				return i % 2 === 0 ? [{ start, end, text }] : [];
			});
		});

test('edits made one in another come to one edit of the texts as they were', () => {
	fc.assert(
		fc.property(fc.nat(5), fc.gen(), (rounds, gen) => {
			const working = new Working((path) => (path === 'a.css' ? TEXT : undefined));
			let text = TEXT;
			for (let i = 0; i <= rounds; i++) {
				const changes = gen(changesOf, text.length);
				working.change('a.css', changes);
				text = applyChanges(text, changes);
			}
			expect(working.text('a.css')).toBe(text);
			const { files } = working.edit('all');
			expect(applyChanges(TEXT, files[0]?.changes ?? [])).toBe(text);
		}),
		{ numRuns: 200 }
	);
});

test('a place is found again after what was put in before it and at it; nothing is done to what is not there', () => {
	const working = new Working((path) => (path === 'a.css' ? TEXT : undefined));
	working.change('a.css', [{ start: 0, end: 0, text: '/* one */\n' }]);
	expect(working.now('a.css', 0)).toBe(10);
	expect(working.now('a.css', 17)).toBe(27);
	working.change('gone.css', [{ start: 0, end: 0, text: 'x' }]);
	expect(working.text('gone.css')).toBeUndefined();
	expect(working.now('gone.css', 3)).toBe(3);
	expect(working.edit('all').files.map(({ path }) => path)).toEqual(['a.css']);
});

test('a selection stays with what it is of while text is written before it, in it and after it', () => {
	const chosen = { file: 'a.css', from: 10, to: 14 };
	const after = (start: number, end: number, text: string) => followed(chosen, { start, end, text });
	expect(after(2, 4, 'five!')).toEqual({ file: 'a.css', from: 13, to: 17 });
	expect(after(12, 12, 'x')).toEqual({ file: 'a.css', from: 10, to: 15 });
	expect(after(20, 21, '')).toEqual(chosen);
	expect(after(8, 12, '')).toEqual({ file: 'a.css', from: 8, to: 10 });
	expect(after(10, 10, 'new')).toEqual({ file: 'a.css', from: 13, to: 17 });
});
