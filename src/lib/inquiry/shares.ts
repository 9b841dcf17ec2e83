import { figure } from '../core/box/index.ts';
import { elementAt, nameOfElement, type Page } from '../core/html/index.ts';
import { percentBasis, sharesIn, type PercentBasis, type Share } from '../core/length/index.ts';
import type { ContainingBlock } from '../stage/protocol.ts';

/** What is known about an element with relative values. */
interface ShareContext {
	readonly page: Page;
	/** Computed values of the element and of each of its ancestors, up to the root. */
	readonly up: readonly ReadonlyMap<string, string>[];
	readonly containing: ContainingBlock | null;
	/** Of the viewport, px. */
	readonly width: number;
}

interface Basis {
	readonly px: number;
	readonly what: string;
}

const WHOSE = { content: 'of', padding: 'of', area: 'of its area in', window: '' } as const;

/** The width or height of the containing block, in words. */
function ofBlock(side: 'width' | 'height', { page, containing }: ShareContext): Basis | undefined {
	if (!containing) return undefined;
	const { path, box } = containing;
	const around = path && elementAt(page, path);
	const whose = around
		? `${WHOSE[box]} ${nameOfElement(around)}${box === 'padding' ? ' with its padding' : ''}`
		: 'of the window';
	return { px: containing[side], what: `the ${side} ${whose}` };
}

const px = (values: ReadonlyMap<string, string> | undefined, property: string): number =>
	Number.parseFloat(values?.get(property) ?? '') || 0;

const SIDES = { width: ['left', 'right'], height: ['top', 'bottom'] } as const;

/** The size of an element's content or border box, px, from its computed values. */
function ownSize(side: 'width' | 'height', box: 'content' | 'border', { up: [own] }: ShareContext): number {
	const frame = SIDES[side].reduce(
		(sum, at) => sum + px(own, `padding-${at}`) + px(own, `border-${at}-width`),
		0
	);
	const isBorderBox = own?.get('box-sizing') === 'border-box';
	const size = px(own, side);
	if (box === 'content') return isBorderBox ? size - frame : size;
	return isBorderBox ? size : size + frame;
}

/** What a relative value refers to: one length. */
function basisOf(kind: Exclude<PercentBasis, 'own-box'>, known: ShareContext): Basis | undefined {
	const [own, around] = known.up;
	switch (kind) {
		case 'width':
		case 'height':
			return ofBlock(kind, known);
		case 'main-size':
			return ofBlock(around?.get('flex-direction')?.startsWith('column') ? 'height' : 'width', known);
		case 'parent-font':
			return { px: px(around, 'font-size'), what: 'the text size of what is around it' };
		case 'own-font':
			return { px: px(own, 'font-size'), what: 'its own text size' };
		case 'line-height': {
			const height = px(own, 'line-height');
			return height > 0 ? { px: height, what: 'its own line height' } : undefined;
		}
		case 'own-width':
			return { px: ownSize('width', 'content', known), what: 'the width of its own content' };
		case 'own-height':
			return { px: ownSize('height', 'content', known), what: 'the height of its own content' };
	}
}

/** The basis of a relative unit. */
function unitBasis(
	unit: Exclude<Share['unit'], '%'>,
	property: string,
	known: ShareContext
): Basis | undefined {
	if (unit === 'vw') return { px: known.width, what: 'the width of the viewport' };
	if (unit === 'rem') return { px: px(known.up.at(-1), 'font-size'), what: 'the text size of the root' };
	return basisOf(property === 'font-size' ? 'parent-font' : 'own-font', known);
}

/**
 * The relative parts of a longhand's value, one sentence each: “5%: of 812, the width of section.banner, = 40.6 px”.
 */
export function sharesOf(property: string, value: string, known: ShareContext): string[] {
	return sharesIn(value).flatMap(({ number, unit, text }) => {
		const part = number * (unit === '%' || unit === 'vw' ? 0.01 : 1);
		const kind = unit === '%' ? percentBasis(property) : undefined;
		if (kind === 'own-box') {
			const [across, down] = [ownSize('width', 'border', known), ownSize('height', 'border', known)];
			const box = `${figure(across)} × ${figure(down)}`;
			return `${text}: of its own box, ${box}: ${figure(part * across)} px across, ${figure(part * down)} px down`;
		}
		const of = unit === '%' ? kind && basisOf(kind, known) : unitBasis(unit, property, known);
		return of ? `${text}: of ${figure(of.px)}, ${of.what}, = ${figure(part * of.px)} px` : [];
	});
}
