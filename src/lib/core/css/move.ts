import type { Change } from '../text/index.ts';
import { startWithComments, walk, type AtRule, type Block, type Rule, type Sheet } from './node.ts';

type Piece = Rule | AtRule;

/** From a piece's first comment to its end. */
interface Stretch {
	readonly start: number;
	readonly end: number;
}

/** The innermost rule or at-rule that an offset lies in, its comments counted; undefined where it lies in none. */
function pieceAt(sheet: Sheet, offset: number): Piece | undefined {
	let found: Piece | undefined;
	for (const node of walk(sheet)) {
		if (node.kind !== 'rule' && node.kind !== 'at-rule') continue;
		const { start, end } = stretchOf(sheet, node);
		if (start <= offset && offset <= end) found = node;
	}
	return found;
}

const stretchOf = ({ source }: Sheet, node: Piece): Stretch => ({
	start: startWithComments(source, node),
	end: node.span.end
});

const pieces = (block: Block): Piece[] =>
	block.children.filter((node): node is Piece => node.kind === 'rule' || node.kind === 'at-rule');

/**
 * Exchanges the rule or at-rule at an offset, with its comments, with the one before (`-1`) or after it (`1`) in the
 * same block; what stands between both stays. Gives the changes and where the offset then is; undefined where
 * there is none to exchange it with.
 */
export function moveRule(
	sheet: Sheet,
	offset: number,
	by: -1 | 1
): { changes: Change[]; offset: number } | undefined {
	const { source } = sheet;
	const piece = pieceAt(sheet, offset);
	if (!piece) return undefined;
	const siblings = pieces(piece.parent);
	const other = siblings[siblings.indexOf(piece) + by];
	if (!other) return undefined;
	const [first, second] = (by < 0 ? [other, piece] : [piece, other]).map((one) => stretchOf(sheet, one)) as [
		Stretch,
		Stretch
	];
	const texts = [first, second].map(({ start, end }) => source.slice(start, end)) as [string, string];
	const into = offset - (by < 0 ? second : first).start;
	return {
		changes: [
			{ ...first, text: texts[1] },
			{ ...second, text: texts[0] }
		],
		offset: by < 0 ? first.start + into : second.end - texts[0].length + into
	};
}
