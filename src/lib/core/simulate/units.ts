import { multiply, rational, rationalFromDecimal, rationalFromNumber, toNumber } from '../interval/index.ts';
import { hasBars, heightsOf, type Vantage } from '../vantage/index.ts';

/** Units that depend on a viewport's height; those of width are right in a frame anyway. */
const UNIT = /^([+-]?(?:\d*\.)?\d+(?:e[+-]?\d+)?)([sld]?)v(h|b|min|max)$/i;

/** Whether a text may contain a length that depends on a viewport's height. */
export const MAY_GO_BY_HEIGHT = /\d[sld]?v(?:h|b|min|max)\b/i;

/**
 * A dimension token as rewritten for a vantage with browser bars (CSS Values 4 §6.1.2): px for `vh`, `vb` and the
 * like, a comparison with the viewport's width for `vmin` and `vmax`; `vb` as in horizontal text. Undefined where the
 * frame itself has the right length.
 */
export function lengthInVantage(token: string, vantage: Vantage): string | undefined {
	const [, number, size, axis] = UNIT.exec(token) ?? [];
	const value = number === undefined ? undefined : rationalFromDecimal(number);
	if (!value || !axis || !hasBars(vantage)) return undefined;
	const { small, large, dynamic } = heightsOf(vantage);
	const height = { s: small, l: large, d: dynamic }[size?.toLowerCase() as 's' | 'l' | 'd'] ?? large;
	const px = decimal(toNumber(multiply(multiply(value, rational(1, 100)), rationalFromNumber(height))));
	if (/^[hb]$/i.test(axis)) return `${px}px`;
	const least = (axis.toLowerCase() === 'min') === value.n >= 0n;
	return `${least ? 'min' : 'max'}(${number}vw, ${px}px)`;
}

/** A number without an exponent, to a millionth. */
export const decimal = (value: number): string => String(Number(value.toFixed(6)));
