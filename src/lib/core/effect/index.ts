import { alignment, oneLine, selfAlignment } from './alignment.ts';
import { autoMargin } from './autoMargin.ts';
import { float } from './float.ts';
import { gap } from './gap.ts';
import { inlineSize } from './inlineSize.ts';
import { item } from './item.ts';
import { isGone, type Facts, type Kind, type NoEffect } from './kind.ts';
import { objectFit } from './objectFit.ts';
import { offset } from './offset.ts';
import { percentHeight } from './percentHeight.ts';
import { ownOfChildren } from './ownOfChildren.ts';
import { sticky, stickyInside } from './sticky.ts';
import { stretched } from './stretched.ts';
import { verticalAlign } from './verticalAlign.ts';

export type { Facts, NoEffect };

/** The kinds of declarations without effect. */
export const KINDS: readonly Kind[] = [
	// Before the more general ones.
	stretched,
	alignment,
	selfAlignment,
	oneLine,
	item,
	offset,
	inlineSize,
	autoMargin,
	percentHeight,
	gap,
	objectFit,
	sticky,
	stickyInside,
	float,
	verticalAlign,
	ownOfChildren
];

const byProperty = new Map<string, Kind[]>();
for (const kind of KINDS) {
	for (const property of kind.properties)
		byProperty.set(property, [...(byProperty.get(property) ?? []), kind]);
}

/** The longhands about which something can be said. */
export const IDLE_LONGHANDS: ReadonlySet<string> = new Set(byProperty.keys());

/** The computed longhands that the kinds need. */
export const FACT_LONGHANDS: readonly string[] = [
	...'align-items align-self aspect-ratio bottom column-count column-width direction display flex-direction flex-wrap'.split(
		' '
	),
	...'float height left overflow-x overflow-y position right top writing-mode'.split(' ')
];

/** Why a longhand declared on an element has no effect there; undefined where it may have one. */
export function noEffectOf(longhand: string, facts: Facts): NoEffect | undefined {
	if (isGone(facts)) return undefined;
	for (const kind of byProperty.get(longhand) ?? []) {
		const found = kind.of(longhand, facts);
		if (found) return found;
	}
	return undefined;
}
