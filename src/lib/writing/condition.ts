import { habitsOf, sliceOf, walk, type Sheet } from '../core/css/index.ts';
import type { RequestedCondition } from '../core/css/edit/rule.ts';
import { equal, type Interval, type IntervalSet } from '../core/interval/index.ts';
import {
	directionOf,
	parseMediaQueryList,
	solve,
	standsBefore,
	writeCondition,
	type Direction
} from '../core/media/index.ts';
import { EM, PLAIN } from '../core/vantage/index.ts';

/** Why no condition can be written for some widths. */
export const NO_CONDITION = 'These widths cannot be written with min-width and max-width alone.';

/** The widths at which a media query holds in a plain window. */
export const widthsOf = (query: string): IntervalSet => solve(parseMediaQueryList(query), PLAIN);

/** Whether a sheet starts from narrow, judged by its conditions. */
export function sheetDirection(sheet: Sheet): Direction {
	const found: IntervalSet[] = [];
	for (const node of walk(sheet))
		if (node.kind === 'at-rule' && node.name === 'media')
			found.push(widthsOf(sliceOf(sheet.source, node.prelude)));
	return directionOf(found);
}

/** A condition for an interval of widths in a sheet's notation; undefined where it has none. */
export function conditionFor(sheet: Sheet, interval: Interval): RequestedCondition | undefined {
	const text = writeCondition(interval, habitsOf(sheet), EM);
	if (text === undefined) return undefined;
	const widths = widthsOf(text);
	let direction: Direction | undefined;
	return {
		text,
		same: (query) => equal(widthsOf(query), widths),
		before: (query) => standsBefore(widths, widthsOf(query), (direction ??= sheetDirection(sheet)))
	};
}
