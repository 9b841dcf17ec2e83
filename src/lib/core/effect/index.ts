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
import { sticky, stickyInside } from './sticky.ts';
import { verticalAlign } from './verticalAlign.ts';

export type { Facts, NoEffect };

/** The kinds of declaration that do nothing where they stand. */
export const KINDS: readonly Kind[] = [
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
	verticalAlign
];

const byProperty = new Map<string, Kind[]>();
for (const kind of KINDS) {
	for (const property of kind.properties)
		byProperty.set(property, [...(byProperty.get(property) ?? []), kind]);
}

/** Why a longhand that is declared on an element does nothing there; undefined where it may do something. */
export function noEffectOf(longhand: string, facts: Facts): NoEffect | undefined {
	if (isGone(facts)) return undefined;
	for (const kind of byProperty.get(longhand) ?? []) {
		const found = kind.of(longhand, facts);
		if (found) return found;
	}
	return undefined;
}
