import fc from 'fast-check';
import { parseSheet, sliceOf, walk, type Block, type Declaration } from '../index.ts';

/** Every declaration with its surroundings, in order, and the comments. */
export function said(source: string): { declarations: string[]; comments: string[] } {
	const sheet = parseSheet(source);
	const around = (block: Block): string =>
		block.kind === 'sheet'
			? ''
			: `${around(block.parent)}${block.kind === 'rule' ? '' : `@${block.name} `}${sliceOf(source, block.prelude)} { `;
	const nodes = [...walk(sheet)];
	return {
		declarations: nodes
			.filter((node): node is Declaration => node.kind === 'declaration')
			.map(
				(one) =>
					`${around(one.parent)}${one.property}: ${sliceOf(source, one.value)}${one.important ? '!' : ''}`
			),
		comments: nodes.filter(({ kind }) => kind === 'comment').map(({ span }) => sliceOf(source, span))
	};
}

const declaration = fc.constantFrom(
	'b: c',
	'gap: 1px',
	'gap: 2px !important',
	'margin : 0',
	'--x: {y}',
	'GAP:3px'
);
const body = fc
	.array(declaration, { maxLength: 4 })
	.chain((all) =>
		fc.constantFrom(
			`{ ${all.join('; ')} }`,
			`{${all.join(';')}}`,
			`{\n\t${all.map((one) => `${one}; /* n */`).join('\n\t')}\n}`,
			`{\n  ${all.join(';\n  ')}\n}`
		)
	);
const rule = fc
	.tuple(fc.constantFrom('a', 'a b', '.x'), body)
	.map(([selector, text]) => `${selector} ${text}`);
const block = fc
	.tuple(fc.constantFrom('(width >= 700px)', '(x)', 'print'), fc.array(rule, { maxLength: 3 }))
	.map(([query, rules]) => `@media ${query} {\n${rules.join('\n')}\n}`);
const piece = fc.oneof(rule, block, fc.constantFrom('/* c */', '', '@import "x";'));

/** Sheets of rules, conditions, comments and statements, in several styles. */
export const SHEETS = fc.array(piece, { maxLength: 6 }).map((all) => all.join('\n'));
