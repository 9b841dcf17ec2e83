import fc from 'fast-check';
import { expect, it } from 'vitest';
import { applyChanges, changedLines, cutToChange } from './index.ts';

it.each([
	['a\nb\nc', [{ start: 2, end: 3, text: 'x' }], [{ line: 2, before: ['b'], after: ['x'] }]],
	['a\nb\nc', [{ start: 1, end: 1, text: '\nnew' }], [{ line: 2, before: [], after: ['new'] }]],
	['a\nb\nc', [{ start: 2, end: 4, text: '' }], [{ line: 2, before: ['b'], after: [] }]],
	[
		'a b\nc\nd',
		[
			{ start: 0, end: 1, text: 'x' },
			{ start: 2, end: 3, text: 'y' },
			{ start: 6, end: 7, text: 'z' }
		],
		[
			{ line: 1, before: ['a b'], after: ['x y'] },
			{ line: 3, before: ['d'], after: ['z'] }
		]
	],
	['\na', [{ start: 0, end: 0, text: '\n' }], [{ line: 2, before: [], after: [''] }]],
	['a', [{ start: 0, end: 1, text: 'a' }], []]
])('lines of %j that change', (source, changes, hunks) => {
	expect(changedLines(source, changes)).toEqual(hunks);
});

it('cuts what is as it was from long lines', () => {
	const [a, z] = ['a'.repeat(500), 'z'.repeat(500)];
	const hunk = { line: 7, before: [`${a}12${z}`], after: [`${a}1`, `b`, `2${z}`] };
	const [begin, end] = [`…${'a'.repeat(59)}1`, `2${'z'.repeat(59)}…`];
	expect(cutToChange(hunk)).toEqual({ line: 7, before: [`${begin}${end}`], after: [begin, 'b', end] });
	const short = { line: 1, before: ['a b c'], after: ['a x c'] };
	expect(cutToChange(short)).toBe(short);
	expect(cutToChange({ line: 1, before: [], after: [a] })).toEqual({ line: 1, before: [], after: [a] });
});

it('put in place of the old lines, the new ones make the new text', () => {
	const text = fc.array(fc.constantFrom('a', 'b', '', 'c c'), { minLength: 1, maxLength: 8 });
	fc.assert(
		fc.property(
			text.map((lines) => lines.join('\n')),
			fc.array(fc.tuple(fc.nat(20), fc.nat(4), fc.constantFrom('', 'x', '\n', 'x\ny\n')), { maxLength: 3 }),
			(source, requested) => {
				let at = 0;
				const changes = requested.flatMap(([skip, length, inserted]) => {
					const start = Math.min(source.length, at + skip);
					const end = Math.min(source.length, start + length);
					at = end + 1;
					return start < source.length || at > source.length ? [{ start, end, text: inserted }] : [];
				});
				const kept = changes.filter(({ start }, i) => i === 0 || start > (changes[i - 1]?.end ?? 0));
				const lines = source.split('\n');
				for (const { line, before, after } of changedLines(source, kept).toReversed())
					lines.splice(line - 1, before.length, ...after);
				expect(lines.join('\n')).toBe(applyChanges(source, kept));
			}
		)
	);
});
