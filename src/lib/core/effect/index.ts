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

/** The kinds of declaration that do nothing where they stand. */
export const KINDS: readonly Kind[] = [
	// Ahead of the more general ones.
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

/** The longhands that anything can be said of. */
export const IDLE_LONGHANDS: ReadonlySet<string> = new Set(byProperty.keys());

/** The computed longhands that kinds ask about. */
export const FACT_LONGHANDS: readonly string[] = [
	...'align-items align-self aspect-ratio bottom column-count column-width direction display flex-direction flex-wrap'.split(
		' '
	),
	...'float height left overflow-x overflow-y position right top writing-mode'.split(' ')
];

/** Why a longhand that is declared on an element does nothing there; undefined where it may do something. */
export function noEffectOf(longhand: string, facts: Facts): NoEffect | undefined {
	if (isGone(facts)) return undefined;
	for (const kind of byProperty.get(longhand) ?? []) {
		const found = kind.of(longhand, facts);
		if (found) return found;
	}
	return undefined;
}
