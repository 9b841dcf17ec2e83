/** What determines the block and inline directions: computed values of an element. */
export interface Writing {
	readonly writingMode: string;
	readonly direction: string;
}

type Side = 'top' | 'right' | 'bottom' | 'left';

/**
 * The physical longhand for a longhand in a writing mode (CSS Logical Properties 1 §4, CSS Writing Modes 4 §6);
 * unchanged where it is not flow-relative. The old name of `writing-mode`, which engines treat as a longhand of its
 * own, becomes the new one.
 */
export function physicalOf(longhand: string, { writingMode, direction }: Writing): string {
	if (longhand === '-webkit-writing-mode') return 'writing-mode';
	const vertical = writingMode !== 'horizontal-tb' && writingMode !== '';
	const size = /^(min-|max-|contain-intrinsic-|overflow-|overscroll-behavior-)?(block|inline)(-size)?$/.exec(
		longhand
	);
	if (size) {
		const [, before = '', axis, isSize] = size;
		const horizontal = (axis === 'inline') !== vertical;
		if (before === 'overflow-' || before === 'overscroll-behavior-') {
			return isSize ? longhand : `${before}${horizontal ? 'x' : 'y'}`;
		}
		return isSize ? `${before}${horizontal ? 'width' : 'height'}` : longhand;
	}
	const corner = /^border-(start|end)-(start|end)-radius$/.exec(longhand);
	if (corner) {
		const sides = [sideOf('block', corner[1] === 'start'), sideOf('inline', corner[2] === 'start')];
		const [first, second] = sides[0] === 'top' || sides[0] === 'bottom' ? sides : sides.toReversed();
		return `border-${first}-${second}-radius`;
	}
	return longhand.replace(
		/^(inset|margin|padding|border|scroll-margin|scroll-padding)-(block|inline)-(start|end)(?=-|$)/,
		(_, of: string, axis: string, end: string) => {
			const side = sideOf(axis, end === 'start');
			return of === 'inset' ? side : `${of}-${side}`;
		}
	);

	function sideOf(axis: string, start: boolean): Side {
		if (axis === 'inline') {
			const ltr = (direction !== 'rtl') !== (writingMode === 'sideways-lr');
			if (!vertical) return (direction !== 'rtl') === start ? 'left' : 'right';
			return ltr === start ? 'top' : 'bottom';
		}
		if (!vertical) return start ? 'top' : 'bottom';
		const fromLeft = writingMode === 'vertical-lr' || writingMode === 'sideways-lr';
		return fromLeft === start ? 'left' : 'right';
	}
}
