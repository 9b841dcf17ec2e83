import { sliceOf, walk, type Block, type Declaration, type Sheet, type Span } from '../css/index.ts';
import { T, textOf, tokensOf } from '../css/tokens.ts';
import { compare } from '../interval/index.ts';
import { constantOf, parseExpression, quantity } from '../length/index.ts';
import { lengthContext } from '../media/index.ts';
import { PLAIN } from '../vantage/index.ts';
import { fits, isKnownProperty, keywordsOf, propertyNames } from './grammar.ts';
import { nearest } from './nearest.ts';

/** What is wrong with a declaration, with its place and a sentence for the person. */
export interface Remark {
	readonly span: Span;
	readonly sentence: string;
}

/** Whether an engine takes a value for a property: asked where the grammar here does not know or does not fit. */
export type Supports = (property: string, value: string) => boolean;

/** Declarations of rules; descriptors of `@font-face` and its like have grammars of their own. */
function isInRule(block: Block): boolean {
	for (let at = block; at.kind !== 'sheet'; at = at.parent) {
		if (at.kind === 'rule') return true;
		if (!/^(media|supports|container|layer|scope|starting-style)$/.test(at.name)) return false;
	}
	return false;
}

const names = (words: readonly string[]): string => words.map((word) => `\`${word}\``).join(', ');

/**
 * Declarations that no engine would take: a property or a value that is not known, with the nearest that is; a
 * unit that is missing; and a `clamp()` whose maximum is below its minimum (CSS Values 4 §10.3).
 */
export function lint(sheet: Sheet, supports: Supports): Remark[] {
	const remarks: Remark[] = [];
	for (const node of walk(sheet)) {
		if (node.kind !== 'declaration' || !isInRule(node.parent)) continue;
		const value = sliceOf(sheet.source, node.value);
		const sentence = ofDeclaration(node, value, supports);
		if (sentence !== undefined) remarks.push({ span: node.span, sentence });
		remarks.push(...clampsBelow(value, node.value.start));
	}
	return remarks;
}

function ofDeclaration(
	{ property, value: span }: Declaration,
	value: string,
	supports: Supports
): string | undefined {
	// Custom properties, vendors' own, and old ways to hide a declaration from one browser.
	if (/^[^a-z]/.test(property) || span.start === span.end) return undefined;
	if (!isKnownProperty(property)) {
		if (supports(property, 'inherit')) return undefined;
		const near = nearest(property, propertyNames());
		return `There is no property \`${property}\`${near ? `; the nearest is \`${near}\`` : ''}.`;
	}
	if (fits(property, value) !== false || supports(property, value)) return undefined;
	return wrongValue(property, value);
}

function wrongValue(property: string, value: string): string {
	const keywords = keywordsOf(property);
	const tokens = tokensOf(value);
	for (let i = 0; i < tokens.count; i++) {
		const text = textOf(tokens, i);
		if (tokens.types[i] === T.Ident && !keywords.includes(text.toLowerCase())) {
			const near = nearest(text.toLowerCase(), keywords);
			if (near) return `\`${property}\` does not take \`${text}\`; the nearest is \`${near}\`.`;
		}
		if (tokens.types[i] === T.Number && Number(text) !== 0) {
			const mended = value.slice(0, tokens.starts[i + 1]) + 'px' + value.slice(tokens.starts[i + 1]);
			if (fits(property, mended)) return `\`${text}\` wants a unit: \`${text}px\`?`;
		}
	}
	const some = keywords.slice(0, 6);
	return `\`${property}\` does not take \`${value}\`${some.length > 0 ? `; it takes ${names(some)}${keywords.length > some.length ? ' and others' : ''}` : ''}.`;
}

/** `clamp()` of constants in which the minimum wins everywhere. */
function clampsBelow(value: string, offset: number): Remark[] {
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
		const constant = (from: number, to: number) => {
			const expression = parseExpression(tokens, from, to);
			const found = expression && quantity(expression, lengthContext(PLAIN));
			return found && constantOf(found.form);
		};
		const least = constant(i + 1, first);
		const most = constant(second + 1, close);
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
