import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChanges, inverted, type Change, type Result } from '../../text/index.ts';
import { parseSheet } from '../index.ts';
import { commentOver, joinBlocks, partBlock, putRules, takeRules } from './arrange.ts';
import { said, SHEETS } from './sheets.fixture.ts';
import { copyBlocks } from './split.ts';

/** A text with `|` at the place that is meant, and the text after what is done there; a refusal is a sentence. */
function at(
	marked: string,
	act: (source: string, offset: number) => Result<{ readonly changes: Change[] }, number>
) {
	const offset = marked.indexOf('|');
	const source = marked.replace('|', '');
	const done = act(source, offset);
	return done.ok ? applyChanges(source, done.value.changes) : done.sentence;
}
const same = (a: string, b: string): boolean => a.replaceAll(' ', '') === b.replaceAll(' ', '');
const part = (source: string, offset: number) => partBlock(parseSheet(source), offset);
const join = (source: string, offset: number) => joinBlocks(parseSheet(source), offset, same);

describe('a block', () => {
	it.each([
		['a {\n\tb: c;\n\t/* of d */\n\td|: e;\n}\n', 'a {\n\tb: c;\n}\n\na {\n\t/* of d */\n\td: e;\n}\n'],
		['a { b: c; d|: e }', 'a { b: c; }\n\na { d: e }'],
		[
			'@media (x) {\n\ta {\n\t\tb|: c;\n\t}\n\td {\n\t\te|: f;\n\t}\n}\n'.replace('b|', 'b'),
			'@media (x) {\n\ta {\n\t\tb: c;\n\t}\n}\n@media (x) {\n\td {\n\t\te: f;\n\t}\n}\n'
		],
		['a { b|: c }', 'Nothing stands before this place in its block: there is nothing to part.'],
		['a { b: c; d|: e', 'The block that begins here is never closed.']
	])('is parted: %j', (source, result) => {
		expect(at(source, part)).toBe(result);
	});

	it.each([
		[
			'@media (x) {\n\ta|{ b: c }\n}\n\nd { e: f }\n\n/* why */\n@media ( x ) {\n\tg {\n\t\th: i;\n\t}\n}\n',
			'@media (x) {\n\ta{ b: c }\n\n\t/* why */\n\tg {\n\t\th: i;\n\t}\n}\n\nd { e: f }\n'
		],
		['a { b: c }\n\nd { e: f }\n\na| { g: h }\n', 'd { e: f }\n\na {\n\tb: c;\n\tg: h\n}\n'],
		['a| { b: c }\na { d: e }\n\na { f: g }\n', 'a {\n\tb: c;\n\td: e;\n\tf: g\n}\n'],
		['a| { b: c }', 'No other block beside this one has its selector or condition.']
	])('is joined with its like: %j', (source, result) => {
		expect(at(source, join)).toBe(result);
	});

	it('says how many rules stand between those that are joined', () => {
		const done = joinBlocks(parseSheet('a { b: c } d { e: f } a { g: h }'), 2, same);
		expect(done).toMatchObject({ ok: true, value: { count: 2, between: 1 } });
	});

	it('loses nothing, parted or joined, and comes back to the byte', () => {
		fc.assert(
			fc.property(SHEETS, fc.double({ min: 0, max: 1, noNaN: true }), (source, where) => {
				const offset = Math.floor(where * source.length);
				for (const done of [part(source, offset), join(source, offset)]) {
					if (!done.ok) continue;
					const after = applyChanges(source, done.value.changes);
					expect(applyChanges(after, inverted(source, done.value.changes))).toBe(source);
					const [was, is] = [said(source), said(after)];
					expect(is.declarations.toSorted()).toEqual(was.declarations.toSorted());
					expect(is.comments.toSorted()).toEqual(was.comments.toSorted());
				}
			}),
			{ numRuns: 600 }
		);
	});
});

/** Rules of a sheet at a place, carried into another (or into a layer of their own). */
function carry(marked: string, other: string | null, layer?: string): readonly string[] {
	const offset = marked.indexOf('|');
	const source = marked.replace('|', '');
	const done = takeRules(parseSheet(source), offset, offset);
	if (!done.ok) return [done.sentence];
	const left = applyChanges(source, done.value.changes);
	const target = other ?? left;
	const put = putRules(parseSheet(target), done.value.taken, layer);
	if (!put.ok) return [put.sentence];
	const there = applyChanges(target, put.value.changes);
	return other === null ? [there] : [left, there];
}

describe('rules on their way', () => {
	it.each([
		[
			'd { e: f }\n\n/* of a */\na| { b: c }\n',
			'x { y: z }\n',
			undefined,
			['d { e: f }\n', 'x { y: z }\n\n/* of a */\na { b: c }\n']
		],
		[
			'@media (x) {\n\ta| {\n\t\tb: c;\n\t}\n}\n',
			'@media (x) {\n  d { e: f }\n}\n',
			undefined,
			['', '@media (x) {\n  d { e: f }\n\n  a {\n    b: c;\n  }\n}\n']
		],
		[
			'@media (x) {\n\ta| { b: c }\n\td { e: f }\n}\n',
			'',
			undefined,
			['@media (x) {\n\td { e: f }\n}\n', '@media (x) {\n\ta { b: c }\n}\n']
		],
		['d { e: f }\n\na| { b: c }\n', null, 'look', ['d { e: f }\n\n@layer look {\n\ta { b: c }\n}\n']],
		[
			'@layer base {\n\t@media (x) {\n\t\ta| { b: c }\n\t}\n}\n\n@layer look {\n\td { e: f }\n}\n',
			null,
			'look',
			['@layer look {\n\td { e: f }\n\n\t@media (x) {\n\t\ta { b: c }\n\t}\n}\n']
		],
		['|', 'x { y: z }', undefined, ['Here is no rule to move.']],
		['a| { b: c }', 'x { y: z ', undefined, ['What begins here is never closed.']]
	] as const)('%j into %j, layer %s', (source, other, layer, result) => {
		expect(carry(source, other, layer)).toEqual(result);
	});

	it('say what they said, with their comments, and nothing else does otherwise', () => {
		fc.assert(
			fc.property(SHEETS, SHEETS, fc.double({ min: 0, max: 1, noNaN: true }), (source, target, where) => {
				const offset = Math.floor(where * source.length);
				const result = carry(`${source.slice(0, offset)}|${source.slice(offset)}`, target);
				if (result.length < 2) return;
				const all = (texts: readonly string[], of: 'declarations' | 'comments'): string[] =>
					texts.flatMap((text) => said(text)[of]).toSorted();
				for (const of of ['declarations', 'comments'] as const)
					expect(all(result, of)).toEqual(all([source, target], of));
			}),
			{ numRuns: 600 }
		);
	});
});

describe('a comment', () => {
	const over = (words: string) => (source: string, offset: number) =>
		commentOver(parseSheet(source), offset, offset, words);

	it('goes over a rule and what is said of it already, once', () => {
		const result = '@media (x) {\n\t/* the sea */\n\t/* old */\n\ta { b: c }\n}';
		expect(at('@media (x) {\n\t/* old */\n\ta| { b: c }\n}', over('the sea'))).toBe(result);
		expect(at(result.replace('a {', 'a| {'), over('the sea'))).toBe(result);
		expect(at('a| { b: c }', over('one\ntwo */'))).toBe('/* one\n   two * / */\na { b: c }');
		expect(at('a| { b: c }', over(' '))).toBe('A comment needs words.');
	});
});

describe('blocks of one condition', () => {
	const heads = (queries: string) => (queries === '(x)' ? { own: '(y)', copy: '(z)' } : null);

	it('get a copy after them, under another condition, in the sheet’s hand', () => {
		const source = '.n {\n\t@media (x) {\n\t\tb: c;\n\t}\n}\n\n@media (x) { a { b: c } } /* of it */\n';
		const done = copyBlocks(parseSheet(source), heads);
		expect(done.ok && applyChanges(source, done.value.changes)).toBe(
			'.n {\n\t@media (y) {\n\t\tb: c;\n\t}\n\n\t@media (z) {\n\t\tb: c;\n\t}\n}\n\n@media (y) { a { b: c } } /* of it */\n\n@media (z) { a { b: c } }\n'
		);
		expect(copyBlocks(parseSheet('@media (x) { a { b: c }'), heads)).toMatchObject({ place: 0 });
	});

	it('say what they said, twice, and nothing else changes', () => {
		fc.assert(
			fc.property(SHEETS, (source) => {
				const done = copyBlocks(parseSheet(source), heads);
				if (!done.ok) return;
				const after = applyChanges(source, done.value.changes);
				expect(applyChanges(after, inverted(source, done.value.changes))).toBe(source);
				const [was, is] = [said(source).declarations, said(after).declarations];
				const of = (all: string[], head: string): string[] =>
					all.flatMap((one) => (one.startsWith(`@media ${head} `) ? one.slice(7 + head.length) : []));
				expect(of(is, '(y)')).toEqual(of(was, '(x)'));
				expect(of(is, '(z)')).toEqual(of(was, '(x)'));
				const others = (all: string[]): string[] => all.filter((one) => !/^@media \([xyz]\) /.test(one));
				expect(others(is)).toEqual(others(was));
			})
		);
	});
});
