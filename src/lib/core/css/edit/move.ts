import { done, refuse, type Change, type Result } from '../../text/index.ts';
import { orderNeeded } from '../prologue.ts';
import { startWithComments, walk, type AtRule, type Block, type Rule, type Sheet } from '../index.ts';

type MovableRule = Rule | AtRule;

/** From a piece's first comment to its end. */
interface RuleExtent {
	readonly start: number;
	readonly end: number;
}

/** The innermost rule or at-rule around an offset, including its comments; undefined where there is none. */
function pieceAt(sheet: Sheet, offset: number): MovableRule | undefined {
	let found: MovableRule | undefined;
	for (const node of walk(sheet)) {
		if (node.kind !== 'rule' && node.kind !== 'at-rule') continue;
		const { start, end } = stretchOf(sheet, node);
		if (start <= offset && offset <= end) found = node;
	}
	return found;
}

const stretchOf = ({ source }: Sheet, node: MovableRule): RuleExtent => ({
	start: startWithComments(source, node),
	end: node.span.end
});

const pieces = (block: Block): MovableRule[] =>
	block.children.filter((node): node is MovableRule => node.kind === 'rule' || node.kind === 'at-rule');

/**
 * Moves the rule or at-rule at an offset, with its comments, so many places up (under 0) or down in its block; the
 * white space between the block's pieces stays where it is. Stops where it may not change places with the next piece.
 * Returns the changes, how many places it moved, and the new offset; or, where it cannot move at all, the place that
 * prevents it.
 */
export function moveRule(
	sheet: Sheet,
	offset: number,
	by: number
): Result<{ readonly changes: Change[]; readonly places: number; readonly offset: number }, number> {
	const { source } = sheet;
	const piece = pieceAt(sheet, offset);
	if (!piece) return refuse('Put the caret in a rule first.', offset);
	const siblings = pieces(piece.parent);
	const from = siblings.indexOf(piece);
	const step = Math.sign(by);
	let to = from;
	let why = 'There is no rule there to change places with.';
	for (let next = siblings[to + step]; next && to !== from + by; next = siblings[to + step]) {
		const needed = step > 0 ? orderNeeded(source, piece, next) : orderNeeded(source, next, piece);
		if (needed !== null) {
			why = needed;
			break;
		}
		to += step;
	}
	if (to === from) return refuse(why, offset);
	const own = stretchOf(sheet, piece);
	const slots = siblings
		.slice(Math.min(from, to), Math.max(from, to) + 1)
		.map((one) => stretchOf(sheet, one));
	// A statement that ends with the sheet needs its `;` elsewhere.
	const isOpen = (end: number): boolean =>
		siblings.some((one) => one.kind === 'at-rule' && !one.block && one.span.end === end) &&
		source[end - 1] !== ';';
	const text = ({ start, end }: RuleExtent): string => source.slice(start, end) + (isOpen(end) ? ';' : '');
	const between = slots.slice(1).map(({ start }, i) => source.slice(slots[i]?.end, start));
	const [gap = ''] = between;
	const [first, last] = [slots[0] ?? own, slots.at(-1) ?? own];
	const up = to < from;
	const closing = !up && isOpen(last.end) ? ';' : '';
	// Where all pieces are equally far apart, only the moved one is rewritten; otherwise each place takes the text of
	// the next.
	const changes = between.every((one) => one === gap)
		? up
			? [
					{ start: first.start, end: first.start, text: text(own) + gap },
					{ start: own.start - gap.length, end: own.end, text: '' }
				]
			: [
					{ start: own.start, end: own.end + gap.length, text: '' },
					{ start: last.end, end: last.end, text: closing + gap + text(own) }
				]
		: slots.map((slot, i) => ({ ...slot, text: text(slots.at((i + (up ? -1 : 1)) % slots.length) ?? own) }));
	return done({
		changes,
		places: Math.abs(to - from),
		offset: offset - own.start + (up ? first.start : last.end + closing.length - text(own).length)
	});
}
