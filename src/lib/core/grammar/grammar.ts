import { rememberedBy } from '../remember/index.ts';
import { definitionSyntax, lexer, parse, type DSNode } from 'css-tree';

interface Entry {
	readonly syntax: DSNode | null;
}

/** What css-tree's lexer offers, missing from its types. */
const known = lexer as unknown as {
	readonly properties: Readonly<Record<string, Entry>>;
	readonly types: Readonly<Record<string, Entry>>;
	matchProperty(
		property: string,
		value: unknown
	): { readonly error: { readonly name: string; readonly message: string } | null };
};

/** How deep the types of a grammar are searched for keywords. */
const DEPTH = 5;

/** Names of all properties with a grammar, without vendor prefixes. */
export const PROPERTY_NAMES: readonly string[] = Object.keys(known.properties).filter(
	(name) => !name.startsWith('-')
);

export const isKnownProperty = (property: string): boolean => Object.hasOwn(known.properties, property);

const keywords = new Map<string, readonly string[]>();

/** Keywords and function names (`minmax(`) that a property's grammar allows, in its order. */
export function keywordsOf(property: string): readonly string[] {
	if (!isKnownProperty(property)) return [];
	let found = keywords.get(property);
	if (!found) keywords.set(property, (found = readKeywords(property)));
	return found;
}

function readKeywords(property: string): readonly string[] {
	const found = new Set<string>();
	const follow = (syntax: DSNode | null | undefined, depth: number): void => {
		if (!syntax || depth > DEPTH) return;
		definitionSyntax.walk(syntax, (node: DSNode) => {
			if (node.type === 'Keyword' && /^[a-z-]+$/i.test(node.name)) found.add(node.name);
			else if (node.type === 'Function') found.add(`${node.name}(`);
			else if (node.type === 'Type') follow(known.types[node.name]?.syntax, depth + 1);
			else if (node.type === 'Property') follow(known.properties[node.name]?.syntax, depth + 1);
		});
	};
	follow(known.properties[property]?.syntax, 0);
	return [...found];
}

/** So many answers are cached: a sheet is checked again after every pause in typing. */
const MOST = 20_000;

/** Whether a value is too long for the grammar, UTF-16 units: css-tree gives up on long lists. */
export const isLong = (value: string): boolean => value.length > 1000;

/** Whether a value fits a property's grammar; undefined where the text does not tell (`var()` and the like). */
export const fits = (property: string, value: string): boolean | undefined => matched([property, value]).fits;

const matched = rememberedBy(
	MOST,
	([property, value]: readonly [string, string]) => `${property}:${value}`,
	([property, value]) => ({ fits: match(property, value) })
);

function match(property: string, value: string): boolean | undefined {
	if (!isKnownProperty(property) || isLong(value) || /\b(?:var|env|attr|if|--[\w-]+)\(/i.test(value))
		return undefined;
	try {
		const { error } = known.matchProperty(property, parse(value, { context: 'value' }));
		if (error === null) return true;
		// An aborted match says nothing.
		return error.name === 'SyntaxMatchError' && !/^Maximum iteration/.test(error.message) ? false : undefined;
	} catch {
		return undefined;
	}
}
