import { T, textOf, tokensOf } from '../css/tokens.ts';
import type { Change } from '../text/index.ts';
import type { Vantage } from '../vantage/index.ts';
import { MAY_ASK_SAFE_AREA, safeAreaChange } from './environment.ts';
import { lengthInVantage, MAY_GO_BY_HEIGHT } from './units.ts';

/** Whether a value may be different in some vantage. */
export const valueMayDiffer = (text: string): boolean =>
	MAY_GO_BY_HEIGHT.test(text) || MAY_ASK_SAFE_AREA.test(text);

/** The changes to a value at an offset with which a frame lays it out as a vantage would. */
export function valueChanges(text: string, offset: number, vantage: Vantage): Change[] {
	const tokens = tokensOf(text);
	const changes: Change[] = [];
	for (let i = 0; i < tokens.count; i++) {
		const inset = safeAreaChange(tokens, i, vantage, offset);
		if (inset) {
			changes.push(inset);
			i = tokens.close[i] as number;
			continue;
		}
		if (tokens.types[i] !== T.Dimension) continue;
		const length = lengthInVantage(textOf(tokens, i), vantage);
		if (length === undefined) continue;
		const start = offset + (tokens.starts[i] as number);
		changes.push({ start, end: offset + (tokens.starts[i + 1] as number), text: length });
	}
	return changes;
}
