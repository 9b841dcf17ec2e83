import { skipSpace, T, textOf, tokensOf, next } from '../css/tokens.ts';
import type { Span } from '../css/node.ts';
import { parseExpression, partsOf, type Expression } from './expression.ts';

/** A length in a text: a dimension, or the outermost math function around it. */
export interface LengthAt {
	readonly span: Span;
	readonly expression: Expression;
}

const MATH = /^(?:calc|min|max|clamp|abs|round|mod|rem|hypot)\($/i;

const hasDimension = (expression: Expression): boolean =>
	[...partsOf(expression)].some(({ kind }) => kind === 'dimension');

/** The length around an offset of CSS text; undefined where there is none that can be read. */
export function lengthAt(source: string, offset: number): LengthAt | undefined {
	const tokens = tokensOf(source);
	for (let i = skipSpace(tokens, 0, tokens.count); i < tokens.count; i++) {
		const start = tokens.starts[i] as number;
		if (start > offset) return undefined;
		const math = tokens.types[i] === T.Function && MATH.test(textOf(tokens, i));
		if (!math && tokens.types[i] !== T.Dimension) continue;
		const after = math ? next(tokens, i) : i + 1;
		const end = tokens.starts[after] as number;
		if (end <= offset) {
			if (math) i = after - 1;
			continue;
		}
		const expression = parseExpression(tokens, i, after);
		return expression && hasDimension(expression) ? { span: { start, end }, expression } : undefined;
	}
	return undefined;
}
