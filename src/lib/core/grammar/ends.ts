import { sliceOf, type Block, type Declaration } from '../css/index.ts';
import { T, textOf, tokensOf, type Tokens } from '../css/tokens.ts';
import { compare, type Rational } from '../interval/index.ts';
import { constantOf, parseExpression, quantity } from '../length/index.ts';
import { lengthContext } from '../media/index.ts';
import { PLAIN } from '../vantage/index.ts';
import type { Remark } from './remark.ts';

/**
 * A length that is the same at every width, px; undefined for other values, and for lengths that depend on the width.
 */
function constantPx(tokens: Tokens, from: number, to: number): Rational | undefined {
	const expression = parseExpression(tokens, from, to);
	const found = expression && quantity(expression, lengthContext(PLAIN));
	return found && constantOf(found.form);
}

const constantOfText = (text: string): Rational | undefined => {
	const tokens = tokensOf(text);
	return constantPx(tokens, 0, tokens.count);
};

/** `max-width` and the like that are below `min-width` in the same rule: the minimum wins (CSS 2.2 §10.4). */
export function* maximaBelow(block: Block, source: string): Generator<Remark> {
	const last = new Map<string, Declaration>();
	for (const node of block.children) {
		if (node.kind === 'declaration' && /^(min|max)-/.test(node.property)) last.set(node.property, node);
	}
	for (const [name, most] of last) {
		const least = name.startsWith('max-') ? last.get(name.replace('max-', 'min-')) : undefined;
		if (!least) continue;
		const [a, b] = [sliceOf(source, least.value), sliceOf(source, most.value)];
		const [low, high] = [constantOfText(a), constantOfText(b)];
		if (!low || !high || compare(high, low) >= 0) continue;
		yield {
			span: most.span,
			sentence: `\`${name}: ${b}\` is below \`${least.property}: ${a}\` of the same rule, which wins.`
		};
	}
}

/** `clamp()` of constants in which the minimum always wins. */
export function clampsBelow(value: string, offset: number): Remark[] {
	if (!/clamp\(/i.test(value)) return [];
	const tokens = tokensOf(value);
	const remarks: Remark[] = [];
	for (let i = 0; i < tokens.count; i++) {
		if (tokens.types[i] !== T.Function || textOf(tokens, i).toLowerCase() !== 'clamp(') continue;
		const close = tokens.close[i] as number;
		const commas: number[] = [];
		for (let j = i + 1; j < close; j = Math.max(j + 1, (tokens.close[j] as number) + 1)) {
			if (tokens.types[j] === T.Comma) commas.push(j);
		}
		const [first, second] = commas;
		if (first === undefined || second === undefined || commas.length !== 2) continue;
		const least = constantPx(tokens, i + 1, first);
		const most = constantPx(tokens, second + 1, close);
		if (!least || !most || compare(most, least) >= 0) continue;
		const text = (from: number, to: number): string =>
			value.slice(tokens.starts[from], tokens.starts[to]).trim();
		remarks.push({
			span: { start: offset + (tokens.starts[i] as number), end: offset + (tokens.starts[close] as number) },
			sentence: `The maximum ${text(second + 1, close)} is below the minimum ${text(i + 1, first)}: it is ${text(i + 1, first)} at every width.`
		});
	}
	return remarks;
}
