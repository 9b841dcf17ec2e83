import { own } from './own.ts';
import { gapsAround, type Side, type SpaceFacts } from '../core/box/index.ts';
import { boxesAround, boxOf, rectOf } from './box.ts';
import { pathOf } from './path.ts';

/** The space at one side of an element, with the neighbour that it ends at; what is around where that is null. */
export interface SpaceFound extends SpaceFacts {
	readonly path: readonly number[] | null;
}

const OPPOSITE: Readonly<Record<Side, Side>> = { top: 'bottom', right: 'left', bottom: 'top', left: 'right' };

const px = (value: string): number => Number.parseFloat(value) || 0;

/** Whether an element takes part in the block layout of what is around it, so that its margins may collapse. */
const isBlockInFlow = (style: CSSStyleDeclaration): boolean =>
	/^(block|list-item|flow-root|flex|grid|table)$/.test(style.display) &&
	style.float === 'none' &&
	!/^(absolute|fixed)$/.test(style.position);

/** The space at each side of an element up to its neighbour there, or to what is around; none where it has no box. */
export function spacesAround(element: Element): SpaceFound[] {
	const window = own(own(element).ownerDocument).defaultView;
	const box = boxOf(element);
	const parent = own(element).parentElement;
	if (!window || !box || !parent) return [];
	const style = window.getComputedStyle(element);
	const around = window.getComputedStyle(parent);
	const { neighbours, around: room } = boxesAround(element);
	const siblings = [...own(parent).children].filter(
		(other) => other !== element && own(other).getClientRects().length > 0
	);
	const container = /(flex|grid)$/.test(around.display);
	const horizontal = around.writingMode === 'horizontal-tb';
	return gapsAround(box, neighbours, room).map(({ side, length, to, at }): SpaceFound => {
		const upright = side === 'top' || side === 'bottom';
		const facing = OPPOSITE[side];
		// Of neighbours at one distance the one across from the middle is meant.
		const other =
			at === 'around'
				? undefined
				: siblings.find((one) => {
						const rect = rectOf(own(one).getBoundingClientRect());
						const edge = {
							top: rect.top,
							bottom: rect.top + rect.height,
							left: rect.left,
							right: rect.left + rect.width
						}[facing];
						const [from, long, across] = upright
							? [rect.left, rect.width, to.x]
							: [rect.top, rect.height, to.y];
						return Math.abs(edge - (upright ? to.y : to.x)) < 0.01 && from <= across && across <= from + long;
					});
		const its = other && window.getComputedStyle(other);
		return {
			side,
			length,
			margin: px(style.getPropertyValue(`margin-${side}`)),
			auto: String(own(element).computedStyleMap().get(`margin-${side}`)) === 'auto',
			neighbour: its ? px(its.getPropertyValue(`margin-${facing}`)) : null,
			collapses:
				!container &&
				upright &&
				horizontal &&
				its !== undefined &&
				isBlockInFlow(style) &&
				isBlockInFlow(its),
			gap: container ? px(upright ? around.rowGap : around.columnGap) : 0,
			padding: px(around.getPropertyValue(`padding-${side}`)),
			path: other ? pathOf(other) : null
		};
	});
}
