import { unwrapRules, wrapRules } from '../core/css/index.ts';
import { handOf } from '../core/css/edit/hand.ts';
import { printInterval, type Interval } from '../core/interval/index.ts';
import { shifted } from '../core/text/index.ts';
import type { Chosen } from './arrange.ts';
import { conditionFor, NO_CONDITION } from './condition.ts';
import type { Proposed } from './proposal.svelte.ts';
import { locked, partAt, type Desk } from './writing.ts';

const NO_RULE = 'The selection touches no rule of a sheet.';

/**
 * Wraps the rules that a selection touches into a condition for an interval of widths, in the sheet's own hand; into a
 * block of the same widths after them, where there is one and `join` is wished.
 */
export function wrap(desk: Desk, { file, from, to }: Chosen, interval: Interval, join: boolean): Proposed {
	if (desk.isGiven(file)) return locked(file);
	const at = partAt(desk, file, from);
	if (!at) return { sentence: NO_RULE };
	const condition = conditionFor(at.sheet, interval);
	if (!condition) return { sentence: NO_CONDITION };
	const changes = wrapRules(at.sheet, from - at.from, to - at.from, {
		condition: condition.text,
		indent: handOf(at.sheet).indent,
		join,
		same: condition.same
	});
	if (changes.length === 0) return { sentence: NO_RULE };
	desk.working.change(file, shifted(changes, at.from));
	return { does: `The selected rules hold ${printInterval(interval)} alone.`, notes: [] };
}

/** Takes the innermost `@media` around a place of a file away from what stands in it. */
export function unwrap(desk: Desk, { file, to }: Chosen): Proposed {
	if (desk.isGiven(file)) return locked(file);
	const at = partAt(desk, file, to);
	const changes = at ? unwrapRules(at.sheet, to - at.from, handOf(at.sheet).indent) : [];
	if (!at || changes.length === 0) return { sentence: 'The caret is in no @media.' };
	desk.working.change(file, shifted(changes, at.from));
	return { does: 'What stands in the condition holds without it.', notes: [] };
}
