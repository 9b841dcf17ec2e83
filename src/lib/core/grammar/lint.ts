import { sliceOf, walk, type Block, type Declaration, type Sheet } from '../css/index.ts';
import { T, textOf, tokensOf } from '../css/tokens.ts';
import { clampsBelow, maximaBelow } from './ends.ts';
import { fits, isKnownProperty, isLong, keywordsOf, PROPERTY_NAMES } from './grammar.ts';
import { nearest } from '../text/index.ts';
import { misplaced, pasted } from './places.ts';
import type { Remark } from './remark.ts';

/**
 * Whether an engine accepts a value for a property: asked where this grammar does not know the property or the value
 * does not fit.
 */
export type Supports = (property: string, value: string) => boolean;

/** Declarations of rules; descriptors of `@font-face` and the like have grammars of their own. */
function isInRule(block: Block): boolean {
	for (let at = block; at.kind !== 'sheet'; at = at.parent) {
		if (at.kind === 'rule') return true;
		if (!/^(media|supports|container|layer|scope|starting-style)$/.test(at.name)) return false;
	}
	return false;
}

const names = (words: readonly string[]): string => words.map((word) => `\`${word}\``).join(', ');

/**
 * Declarations that no engine would accept: unknown properties or values, with the nearest known one; missing units;
 * a maximum below its minimum, in `clamp()` (CSS Values 4 §10.3) or in neighbouring declarations; rules where only
 * declarations are allowed; and HTML attributes.
 */
export function lint(sheet: Sheet, supports: Supports): Remark[] {
	const remarks: Remark[] = [...pasted(sheet)];
	for (const node of walk(sheet)) {
		const place = misplaced(node);
		if (place) remarks.push(place);
		if (node.kind === 'rule') remarks.push(...maximaBelow(node, sheet.source));
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
	// Custom properties, vendor prefixes, and old hacks that hide a declaration from one browser.
	if (/^[^a-z]/.test(property) || span.start === span.end) return undefined;
	if (!isKnownProperty(property)) {
		if (supports(property, 'inherit')) return undefined;
		const near = nearest(property, PROPERTY_NAMES);
		return `There is no property \`${property}\`${near ? `; the nearest is \`${near}\`` : ''}.`;
	}
	// Values too long for the grammar are judged by the engine alone.
	const fitting = isLong(value) ? false : fits(property, value);
	if (fitting !== false || supports(property, value)) return undefined;
	return wrongValue(property, value);
}

/** So many words and numbers of a value are tried to find the wrong one: each costs a check of the whole value. */
const MOST_TRIED = 12;
/** Longer values are quoted by their beginning. */
const MOST_QUOTED = 60;

function wrongValue(property: string, value: string): string {
	const keywords = keywordsOf(property);
	const tokens = tokensOf(value);
	let tried = 0;
	for (let i = 0; i < tokens.count && tried < MOST_TRIED; i++) {
		const text = textOf(tokens, i);
		if (tokens.types[i] === T.Ident && !keywords.includes(text.toLowerCase())) {
			tried++;
			const near = nearest(text.toLowerCase(), keywords);
			if (near) return `\`${property}\` does not take \`${text}\`; the nearest is \`${near}\`.`;
		}
		if (tokens.types[i] === T.Number && Number(text) !== 0) {
			tried++;
			const mended = value.slice(0, tokens.starts[i + 1]) + 'px' + value.slice(tokens.starts[i + 1]);
			if (fits(property, mended)) return `\`${text}\` wants a unit: \`${text}px\`?`;
		}
	}
	const some = keywords.slice(0, 6);
	const quoted = value.length > MOST_QUOTED ? `${value.slice(0, MOST_QUOTED)}…` : value;
	return `\`${property}\` does not take \`${quoted}\`${some.length > 0 ? `; it takes ${names(some)}${keywords.length > some.length ? ' and others' : ''}` : ''}.`;
}
