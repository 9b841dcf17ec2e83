import { skipSpace, T, textOf, type Tokens } from '../css/tokens.ts';
import type { Vantage } from '../vantage/index.ts';
import type { Change } from '../text/index.ts';

/** Whether a text may refer to the safe area. */
export const MAY_ASK_SAFE_AREA = /env\s*\(/i;

const SIDE = /^safe-area-(?:max-)?inset-(top|right|bottom|left)$/;

/**
 * An `env(safe-area-inset-…)` at token `i`, including its fallback, as the px of a vantage (CSS Environment Variables
 * 1 §2). `offset` is where the tokens' text begins.
 */
export function safeAreaChange(
	tokens: Tokens,
	i: number,
	vantage: Vantage,
	offset: number
): Change | undefined {
	if (tokens.types[i] !== T.Function || textOf(tokens, i).toLowerCase() !== 'env(') return undefined;
	const close = tokens.close[i] as number;
	const name = skipSpace(tokens, i + 1, close);
	const side = name < close ? SIDE.exec(textOf(tokens, name))?.[1] : undefined;
	if (!side || close >= tokens.count) return undefined;
	const px = vantage.safeAreas[side as keyof Vantage['safeAreas']];
	return {
		start: offset + (tokens.starts[i] as number),
		end: offset + (tokens.starts[close + 1] as number),
		text: `${px}px`
	};
}
