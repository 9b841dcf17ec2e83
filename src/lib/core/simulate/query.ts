import { multiply, rationalFromDecimal, rationalFromNumber, toNumber } from '../interval/index.ts';
import { T, textOf, tokensOf } from '../css/tokens.ts';
import {
	evaluateCondition,
	featureNamed,
	parseMediaQueryList,
	typeMatches,
	type Condition
} from '../media/index.ts';
import type { Vantage } from '../vantage/index.ts';
import { applyChanges, type Change } from '../text/index.ts';
import { USUAL_TEXT } from './textSize.ts';
import { decimal, lengthInVantage } from './units.ts';

/** Queries that always and never hold; both known to every engine. */
const ALWAYS = '(min-width: 0px)';
const NEVER = '(max-width: -1px)';

/**
 * A media query list rewritten so that a frame answers as the vantage would. Width, height, their ratio and
 * resolution stay, since the frame's size and zoom make them right. Every other known feature is decided here; the
 * vantage's screen is its viewport; `em` uses the vantage's default text size; the medium is the vantage's.
 */
export function simulateQuery(text: string, vantage: Vantage): string {
	const changes: Change[] = [];
	for (const { span, type, negated, condition, invalid } of parseMediaQueryList(text)) {
		if (invalid) continue;
		if (type !== null && type !== 'all' && vantage.medium !== 'screen') {
			if (!typeMatches(type, vantage)) {
				changes.push({ start: span.start, end: span.end, text: negated ? 'all' : 'not all' });
				continue;
			}
			changes.push(...typeChanges(text.slice(span.start, span.end), type, span.start));
		}
		if (condition) changes.push(...conditionChanges(condition, text, vantage));
	}
	return applyChanges(text, changes);
}

/** The medium's name becomes `all` wherever it is the query's type. */
function typeChanges(query: string, type: string, offset: number): Change[] {
	const tokens = tokensOf(query);
	for (let i = 0; i < tokens.count; i++) {
		if (tokens.types[i] === T.Ident && textOf(tokens, i).toLowerCase() === type) {
			const start = offset + (tokens.starts[i] as number);
			return [{ start, end: start + type.length, text: 'all' }];
		}
	}
	return [];
}

function conditionChanges(condition: Condition, text: string, vantage: Vantage): Change[] {
	switch (condition.kind) {
		case 'unknown':
			return [];
		case 'not':
			return conditionChanges(condition.of, text, vantage);
		case 'and':
		case 'or':
			return condition.of.flatMap((part) => conditionChanges(part, text, vantage));
		case 'feature': {
			const { span } = condition;
			const { kind } = featureNamed(condition.feature);
			if (kind === 'integer' || kind === 'keyword') {
				return [{ ...span, text: evaluateCondition(condition, vantage) === 'true' ? ALWAYS : NEVER }];
			}
			if (kind === 'resolution') return [];
			return sizeChanges(text.slice(span.start, span.end), span.start, vantage);
		}
	}
}

/**
 * In one feature for a size, the screen's size becomes the viewport's; `em`, and heights that depend on browser bars,
 * become px.
 */
function sizeChanges(feature: string, offset: number, vantage: Vantage): Change[] {
	const tokens = tokensOf(feature);
	const changes: Change[] = [];
	for (let i = 0; i < tokens.count; i++) {
		const start = offset + (tokens.starts[i] as number);
		const token = textOf(tokens, i);
		if (tokens.types[i] === T.Ident && /^(min-|max-)?device-/i.test(token)) {
			changes.push({ start, end: start + token.length, text: token.replace(/device-/i, '') });
		}
		if (tokens.types[i] !== T.Dimension) continue;
		const length = emInVantage(token, vantage) ?? lengthInVantage(token, vantage);
		if (length !== undefined) changes.push({ start, end: start + token.length, text: length });
	}
	return changes;
}

/** An `em` or `rem` of a query in px, where the engine's default text size differs from the vantage's. */
function emInVantage(token: string, vantage: Vantage): string | undefined {
	const number = /^(.*?)r?em$/i.exec(token)?.[1];
	if (number === undefined || vantage.defaultFontSize === USUAL_TEXT) return undefined;
	const value = rationalFromDecimal(number);
	return value && `${decimal(toNumber(multiply(value, rationalFromNumber(vantage.defaultFontSize))))}px`;
}
