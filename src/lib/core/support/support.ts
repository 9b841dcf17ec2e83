import { sliceOf, walk, type Rule, type Sheet, type Span } from '../css/index.ts';
import { T, textOf, tokensOf } from '../css/tokens.ts';

/**
 * Since when every engine has supported a CSS feature, ISO 8601; null where some do not. By key, such as
 * `properties.gap`, `properties.display.grid`, `at-rules.container`, `selectors.has`, `types.clamp`.
 */
export type SupportTable = Readonly<Record<string, string | null>>;

/** Something used in a sheet, at its first place. */
interface Use {
	readonly key: string;
	readonly words: string;
	readonly span: Span;
}

/** Keys of units that were added later than others. */
const UNITS: readonly (readonly [RegExp, string])[] = [
	[/^s(vw|vh|vi|vb|vmin|vmax)$/, 'types.length.viewport_percentage_units_small'],
	[/^l(vw|vh|vi|vb|vmin|vmax)$/, 'types.length.viewport_percentage_units_large'],
	[/^d(vw|vh|vi|vb|vmin|vmax)$/, 'types.length.viewport_percentage_units_dynamic'],
	[/^cq(w|h|i|b|min|max)$/, 'types.length.container_query_length_units']
];

function* usesOfValue(property: string, value: string, span: Span): Generator<Use> {
	const tokens = tokensOf(value);
	for (let i = 0; i < tokens.count; i++) {
		const text = textOf(tokens, i).toLowerCase();
		if (tokens.types[i] === T.Ident) {
			yield { key: `properties.${property}.${text}`, words: `${property}: ${text}`, span };
		} else if (tokens.types[i] === T.Function) {
			const name = text.slice(0, -1);
			for (const type of [
				'types',
				'types.color',
				'types.gradient',
				'types.transform-function',
				`properties.${property}`
			]) {
				yield { key: `${type}.${name}`, words: `${name}()`, span };
			}
		} else if (tokens.types[i] === T.Dimension) {
			const unit = /[a-z]+$/.exec(text)?.[0] ?? '';
			const key = UNITS.find(([pattern]) => pattern.test(unit))?.[1] ?? `types.length.${unit}`;
			yield { key, words: `the unit ${unit}`, span };
		}
	}
}

function* usesOfQuery(query: string, span: Span): Generator<Use> {
	if (/[<>]|(?<![<>])=/.test(query)) {
		yield { key: 'at-rules.media.range_syntax', words: 'a range in a media query', span };
	}
	for (const [, feature = ''] of query.toLowerCase().matchAll(/\(\s*(?:min-|max-)?([a-z-]+)/g)) {
		yield { key: `at-rules.media.${feature}`, words: `the media feature ${feature}`, span };
	}
}

function* usesOfRule({ prelude, parent }: Rule, selector: string): Generator<Use> {
	if (parent.kind === 'rule') yield { key: 'selectors.nesting', words: 'nesting', span: prelude };
	for (const [, name = ''] of selector.toLowerCase().matchAll(/::?([a-z-]+)/g)) {
		yield { key: `selectors.${name}`, words: `:${name}`, span: prelude };
	}
}

function* uses(sheet: Sheet): Generator<Use> {
	const { source } = sheet;
	for (const node of walk(sheet)) {
		if (node.kind === 'rule') {
			yield* usesOfRule(node, sliceOf(source, node.prelude));
		} else if (node.kind === 'at-rule') {
			yield { key: `at-rules.${node.name}`, words: `@${node.name}`, span: node.prelude };
			if (node.name === 'media') yield* usesOfQuery(sliceOf(source, node.prelude), node.prelude);
		} else if (node.kind === 'declaration' && /^[a-z]/.test(node.property)) {
			yield { key: `properties.${node.property}`, words: node.property, span: node.span };
			yield* usesOfValue(node.property, sliceOf(source, node.value), node.span);
		}
	}
}

/**
 * What a sheet uses that not every engine supported by a date (ISO 8601), each at its first place with the date since
 * when all do.
 * What the table does not contain is skipped, and so is everything inside `@supports`.
 */
export function supportRemarks(
	sheet: Sheet,
	table: SupportTable,
	limit: string
): { span: Span; sentence: string }[] {
	const guarded = [...walk(sheet)].flatMap((node) =>
		node.kind === 'at-rule' && node.name === 'supports' && node.block ? [node.block] : []
	);
	const seen = new Set<string>();
	const remarks: { span: Span; sentence: string }[] = [];
	for (const { key, words, span } of uses(sheet)) {
		if (seen.has(key) || !(key in table)) continue;
		if (guarded.some(({ start, end }) => start <= span.start && span.end <= end)) continue;
		seen.add(key);
		const since = table[key] ?? null;
		if (since !== null && since <= limit) continue;
		const when = since === null ? 'is not in every engine' : `is in every engine only since ${since}`;
		remarks.push({
			span,
			sentence: `\`${words}\` ${when}; the site asks for what all have had since ${limit}.`
		});
	}
	return remarks;
}
