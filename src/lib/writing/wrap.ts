import { done, refuse } from '../core/text/index.ts';
import { handOf, unwrapRules, wrapRules } from '../core/css/edit/index.ts';
import { printInterval, type Interval } from '../core/interval/index.ts';
import { conditionFor, NO_CONDITION } from './condition.ts';
import type { Proposed } from './proposed.ts';
import { within, type Chosen } from './within.ts';
import type { Desk } from './declaration.ts';

/**
 * Wraps the rules that a selection touches into a condition for an interval of widths, in the sheet's own hand; into a
 * block of the same widths after them, where there is one and `join` is wanted.
 */
export const wrap = (desk: Desk, chosen: Chosen, interval: Interval, join: boolean): Proposed =>
	within(
		desk,
		chosen,
		({ sheet, from }) => {
			const at = chosen.from - from;
			const condition = conditionFor(sheet, interval);
			if (!condition) return refuse(NO_CONDITION, at);
			const changes = wrapRules(sheet, at, chosen.to - from, {
				condition: condition.text,
				indent: handOf(sheet).indent,
				join,
				same: condition.same
			});
			return changes.length > 0 ? done({ changes }) : refuse('The selection touches no rule of a sheet.', at);
		},
		() => done({ summary: `The selected rules hold ${printInterval(interval)} alone.`, notes: [] })
	);

/** Takes the innermost `@media` around a place of a file away from what stands in it. */
export const unwrap = (desk: Desk, chosen: Chosen): Proposed =>
	within(
		desk,
		{ ...chosen, from: chosen.to },
		({ sheet, from }) => {
			const at = chosen.to - from;
			const changes = unwrapRules(sheet, at, handOf(sheet).indent);
			return changes.length > 0 ? done({ changes }) : refuse('The caret is in no @media.', at);
		},
		() => done({ summary: 'What stands in the condition holds without it.', notes: [] })
	);
